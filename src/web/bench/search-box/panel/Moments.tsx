import { BOX_MOMENTS, type BoxMomentName } from "@core/settings/box/usual";
import { plural } from "@ui/format";
import { Diamond } from "../../pieces/Diamond";
import { useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";
import { BLOCK_NAMES, MOMENTS } from "../blocks";
import { columnsIn } from "../edits";
import { NONSENSE, useMoment } from "./useMoment";

const BEGINNING = "ro";

/** The three moments: what is typed into the field decides which of them is worked on; a press types it. */
export function Moments() {
  const { settings, live } = useOpen("settings", "live");
  const { address, set } = useWindowParts("address", "set");
  const current = useMoment()?.moment;
  const samples: Record<BoxMomentName, string> = {
    focus: "",
    typing: address.query.slice(0, 3).trim() || BEGINNING,
    nothing: NONSENSE,
  };
  return (
    <ul className="border-t border-rule">
      {BOX_MOMENTS.map((name) => {
        const moment = settings.box.moments[name];
        const on = columnsIn(moment)
          .flat()
          .filter(([, block]) => block.on);
        const isDraft = JSON.stringify(moment) !== JSON.stringify(live.box.moments[name]);
        return (
          <li key={name} className="relative border-b border-rule">
            {isDraft && <Diamond className="absolute top-4 -left-[13px]" />}
            <button
              type="button"
              aria-pressed={current === name}
              onClick={() => set({ sample: samples[name] })}
              className={`flex w-full items-baseline gap-3 px-2 py-2 text-left ${current === name ? "bg-press-soft" : "hover:bg-raised"}`}
            >
              <b className={`w-[104px] shrink-0 font-semibold ${current === name ? "text-press" : ""}`}>{MOMENTS[name].name}</b>
              <span className="min-w-0 flex-1 text-[13px]">
                <span className="block truncate">{on.map(([, block]) => BLOCK_NAMES[block.kind]).join(" · ") || "nothing"}</span>
                <span className="block truncate text-[12.5px] text-soft">
                  {MOMENTS[name].when}; {plural(on.length, "block")} in {plural(moment.shares.length, "column")}
                </span>
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
