import type { ShopFront } from "@contract/search";
import UsualPanel from "../../../shop/box/Panel";
import { type Editing, SearchBox } from "../../../shop/box/SearchBox";
import { ShopRoot } from "../../../shop/ShopRoot";
import { useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";
import { DeviceFrame } from "../../window/DeviceFrame";
import { EditPanel } from "./EditPanel";
import { useStageClient } from "./useStageClient";

/** What a shopper is said to have searched before, so that the block can be seen. */
const SAMPLES = ["climbing rose", "tomato seeds", "9 cm pot", "bird food"];

/** The shop's box, held open: the draft's to be worked on in its place, what is live to be looked at. */
export default function BoxStage() {
  const { front, liveFront } = useOpen("front", "liveFront");
  const { mode, device } = useWindowParts("mode", "device");
  return (
    <DeviceFrame device={device}>
      {mode !== "live" && <OneBox front={front} source="draft" isNamed={mode === "both"} isNarrow={device === "phone"} />}
      {mode !== "draft" && <OneBox front={liveFront} source="live" isNamed={mode === "both"} isNarrow={device === "phone"} />}
    </DeviceFrame>
  );
}

interface Props {
  front: ShopFront;
  source: "draft" | "live";
  isNamed: boolean;
  isNarrow: boolean;
}

function OneBox({ front, source, isNamed, isNarrow }: Props) {
  const { address, sample, set, try: tryQuery } = useWindowParts("address", "sample", "set", "try");
  const client = useStageClient(source);
  const stage: Editing = {
    isNarrow,
    panel: source === "draft" ? EditPanel : UsualPanel,
    recent: SAMPLES,
    onText: (text) => set({ sample: text }),
  };
  return (
    <>
      {isNamed && (
        <h2
          className={`border-b-2 bg-raised px-3 py-1 text-[14px] ${source === "draft" ? "border-draft-mark text-draft" : "border-live text-live"}`}
        >
          {source === "draft" ? "Draft" : "Live"}
        </h2>
      )}
      <ShopRoot front={front} className="min-h-full px-3.5 py-3">
        <div className={isNarrow ? "" : "mx-auto w-[84%]"}>
          <SearchBox
            key={source}
            client={client}
            front={front}
            value={sample ?? address.query}
            stage={stage}
            onSearch={(query) => tryQuery(query)}
            onCategory={() => undefined}
            onProduct={() => undefined}
            onPage={() => undefined}
          />
        </div>
      </ShopRoot>
    </>
  );
}
