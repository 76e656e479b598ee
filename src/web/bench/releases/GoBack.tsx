import { describeChanges } from "@core/insights/changes/changes";
import { Button } from "@ui/Button";
import { Checkbox } from "@ui/controls";
import { plural } from "@ui/format";
import { useState } from "react";
import { Answered } from "../ask/Answered";
import { type Answer, useAsk } from "../ask/useAsk";
import { labelsOf, useBenchParts, useOpen } from "../state/bench";
import { ChangeLine } from "./ChangesByArea";

const ROUTE = "GET /api/stores/{store}/releases/{n}";
const MOST_SHOWN = 6;

/** Before the shop goes back to a release: what the draft has that the release had not, and would bring back. */
export function GoBack({ number, onEnd }: { number: number; onEnd: () => void }) {
  const asked = useAsk(ROUTE, { params: { n: String(number) } }, { of: "store" });
  return (
    <div className="mt-2 ml-10 border-l-2 border-press pl-3 text-[13px]">
      <Answered of={asked}>{(release) => <Decision number={number} settings={release.settings} onEnd={onEnd} />}</Answered>
    </div>
  );
}

interface DecisionProps {
  number: number;
  settings: Answer<typeof ROUTE>["settings"];
  onEnd: () => void;
}

function Decision({ number, settings: then, onEnd }: DecisionProps) {
  const { settings, fields } = useOpen("settings", "fields");
  const { restore } = useBenchParts("restore");
  const [isDraftToo, setDraftToo] = useState(false);
  const [isSending, setSending] = useState(false);
  const changes = describeChanges(then, settings, labelsOf(fields));
  const send = async () => {
    setSending(true);
    await restore(number, isDraftToo);
    onEnd();
  };
  return (
    <>
      {changes.length === 0 ? (
        <p>The draft is as it was at release {number}. Nothing of it would bring anything else back.</p>
      ) : (
        <>
          <p>
            Shoppers get release {number} at once. The draft keeps <b>{plural(changes.length, "change")}</b> that were not in it: the next
            release of the draft brings them back.
          </p>
          <ul className="mt-1 border-t border-rule">
            {changes.slice(0, MOST_SHOWN).map((change) => (
              <ChangeLine key={`${change.part}/${change.id}`} change={change} />
            ))}
          </ul>
          {changes.length > MOST_SHOWN && <p className="py-1 text-soft">and {changes.length - MOST_SHOWN} more</p>}
          <p className="mt-2 flex items-center gap-2">
            <Checkbox checked={isDraftToo} onChange={setDraftToo} label="Set the draft back as well" />
            Set the draft back as well; one undo brings it here again.
          </p>
        </>
      )}
      <p className="mt-2 flex gap-2 pb-1">
        <Button look="main" disabled={isSending} onClick={() => void send()}>
          Make release {number} live
        </Button>
        <Button onClick={onEnd}>Cancel</Button>
      </p>
    </>
  );
}
