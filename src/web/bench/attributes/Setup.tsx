import type { PatchOperation } from "@core/settings/patch";
import { Button } from "@ui/Button";
import { Checkbox } from "@ui/controls";
import { plural } from "@ui/format";
import { useEffect, useState } from "react";
import { Failed } from "../ask/Answered";
import { ProgressLine } from "../ask/Skeleton";
import { useAsk } from "../ask/useAsk";
import { Section } from "../frame/Screen";
import { Trial } from "../pieces/Trial";
import { useBenchParts } from "../state/bench";
import { useWindowParts } from "../state/window";

const NAME = "Proposed set-up";

/** A whole set-up worked out from the catalogue and the searches: looked at part by part, tried, and taken in parts or whole. */
export function Setup() {
  const { edit } = useBenchParts("edit");
  const { proposal, propose } = useWindowParts("proposal", "propose");
  const [isOpen, setOpen] = useState(false);
  const { data: parts, error, refetch } = useAsk("GET /api/stores/{store}/setup", isOpen ? {} : null);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const chosen = (parts ?? []).filter(({ id }) => !left.has(id));
  const operations = chosen.flatMap((part) => part.operations);
  const isBeside = proposal?.name === NAME;
  const key = JSON.stringify(operations);
  // The window follows what is ticked, and looks at the draft alone once this screen is left.
  useEffect(() => {
    const patch = JSON.parse(key) as PatchOperation[];
    if (isBeside) propose(patch.length > 0 ? { name: NAME, patch } : null);
  }, [key, isBeside, propose]);
  useEffect(() => () => propose(null), [propose]);
  const toggle = (id: string, isIn: boolean) => {
    const next = new Set(left);
    if (isIn) next.delete(id);
    else next.add(id);
    setLeft(next);
  };
  return (
    <Section title="Proposed set-up" note="from the catalogue and what shoppers clicked">
      {!isOpen ? (
        <div className="border-t border-rule pt-2">
          <Button onClick={() => setOpen(true)}>Suggest a set-up</Button>
        </div>
      ) : error ? (
        <Failed error={error} onRetry={() => void refetch()} />
      ) : parts === undefined ? (
        <ProgressLine otherwise="Trying weights on the most asked searches …" />
      ) : parts.length === 0 ? (
        <p className="border-t border-rule pt-2 text-soft">Nothing to propose: the draft is what we would start from.</p>
      ) : (
        <>
          <ul className="border-t border-rule text-[13px]">
            {parts.map((part) => (
              <li key={part.id} className="flex items-start gap-2.5 border-b border-rule py-1.5">
                <span className="mt-0.5">
                  <Checkbox checked={!left.has(part.id)} label={part.title} onChange={(isIn) => toggle(part.id, isIn)} />
                </span>
                <span className="min-w-0">
                  <b className="block font-semibold">{part.title}</b>
                  <span className="text-[12.5px] text-soft">{part.reason}</span>
                </span>
              </li>
            ))}
          </ul>
          <div className="mt-2 flex items-center gap-2">
            <span className="flex-1 text-[12.5px] text-soft">One edit; undo takes all of it back.</span>
            <Button
              disabled={operations.length === 0}
              aria-pressed={isBeside}
              onClick={() => propose(isBeside ? null : { name: NAME, patch: operations })}
            >
              {isBeside ? "Draft alone" : "See beside the draft"}
            </Button>
            <Button
              look="main"
              disabled={operations.length === 0}
              onClick={() => {
                propose(null);
                void edit(operations);
              }}
            >
              Accept {chosen.length === parts.length ? "all" : plural(chosen.length, "part")}
            </Button>
          </div>
          <Trial patch={operations.length > 0 ? operations : null} />
        </>
      )}
    </Section>
  );
}
