import type { Repair as Proposed, RepairOverview } from "@contract/no-results";
import { repairEdit, withRepair } from "@core/insights/repair/repair";
import type { PatchOperation } from "@core/settings/patch";
import { Button } from "@ui/Button";
import { Checkbox } from "@ui/controls";
import { count, percent, plural } from "@ui/format";
import { useMemo, useState } from "react";
import { toast } from "sonner";
import { Answered } from "../../ask/Answered";
import { Skeleton } from "../../ask/Skeleton";
import { Empty } from "../../frame/Screen";
import { useOpenRow } from "../../frame/useOpenRow";
import { useBench, useBenchParts, useOpen } from "../../state/bench";
import { AsideList } from "./AsideList";
import { CaseRow } from "./CaseRow";
import { useProposals, useRepair } from "./useRepair";

/** Cases that are shown before more are asked for. */
const AT_ONCE = 25;

/** The searches that fail, with what could be done about each: tried in the window, taken one by one or many at once. */
export default function Repair() {
  return (
    <div className="h-full overflow-y-auto px-5 pt-4 pb-10">
      <h1 className="text-[22px]/7">Repair</h1>
      <p className="mt-0.5 mb-2 max-w-[500px] text-soft">
        Searches that find nothing, next to nothing, only a part, or what a correction found and nobody wanted; most lost first.
      </p>
      <Answered of={useRepair()} loading={<Skeleton rows={8} height={52} />}>
        {(overview) => <Cases overview={overview} />}
      </Answered>
    </div>
  );
}

function Cases({ overview }: { overview: RepairOverview }) {
  const { settings } = useOpen("settings");
  const { edit } = useBenchParts("edit");
  const [shown, setShown] = useState(AT_ONCE);
  const [open, setOpen] = useOpenRow();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  /** Cases whose repair was taken leave the list at once, before they are counted anew. */
  const [taken, setTaken] = useState<{ of: RepairOverview | null; texts: ReadonlySet<string> }>({ of: null, texts: new Set() });
  const cases = useMemo(
    () => overview.cases.filter(({ text }) => taken.of !== overview || !taken.texts.has(text)).slice(0, shown),
    [overview, shown, taken],
  );
  const proposals = useProposals(useMemo(() => [...(open ? [open] : []), ...cases.map(({ text }) => text)], [open, cases]));
  const here = cases.filter(({ text }) => chosen.has(text));
  const ready = here.flatMap(({ text }) => {
    const [repair] = proposals.get(text) ?? [];
    return repair ? [{ text, repair }] : [];
  });
  /** Each repair is added to what the ones before it have made. */
  const take = async (repairs: readonly { text: string; repair: Proposed }[]) => {
    const operations: PatchOperation[] = [];
    let next = settings;
    // One repair often mends several cases: it is made once.
    const entries = new Map(repairs.map(({ repair }) => [JSON.stringify(repair.entry), repair.entry]));
    for (const entry of entries.values()) {
      operations.push(...repairEdit(next, entry));
      next = withRepair(next, entry);
    }
    if (!(await edit(operations))) return;
    setChosen(new Set());
    const before = taken.of === overview ? taken.texts : [];
    setTaken({ of: overview, texts: new Set([...before, ...repairs.map(({ text }) => text)]) });
    toast.success(`${plural(entries.size, "repair")} accepted into the draft.`, {
      action: { label: "Undo", onClick: () => void useBench.getState().undo() },
    });
  };
  const saved = overview.lostLive - overview.lostDraft;
  return (
    <>
      <p role="status" className="border-y border-rule py-2 text-[13px]">
        <b className="font-semibold">{count(overview.lostDraft)}</b> of {count(overview.searches)} searches are lost to{" "}
        {plural(overview.count, "case")}.{" "}
        {saved > 0 ? (
          <span className="text-gain">
            The draft saves {count(saved)} of the {count(overview.lostLive)} lost today, {percent(saved / overview.lostLive)}.
          </span>
        ) : (
          <span className="text-soft">As many as today; accept a repair and it shrinks.</span>
        )}
      </p>
      {cases.length > 0 && (
        <div className="sticky top-[-16px] z-10 flex h-10 items-center gap-2.5 border-b border-ink bg-paper text-[13px]">
          <Checkbox
            checked={here.length === cases.length}
            label="Choose all cases shown"
            onChange={(on) => setChosen(new Set(on ? cases.map(({ text }) => text) : []))}
          />
          {here.length > 0 ? (
            <>
              <b className="font-semibold">{count(here.length)} chosen</b>
              <Button look="main" disabled={ready.length === 0} onClick={() => void take(ready)}>
                Accept the first repair of {ready.length}
              </Button>
            </>
          ) : (
            <span className="text-soft">Search, what is wrong, and the likeliest repair</span>
          )}
        </div>
      )}
      {overview.count === 0 && <Empty>No search of the log fails in this draft.</Empty>}
      <ul>
        {cases.map((entry) => (
          <CaseRow
            key={entry.text}
            entry={entry}
            repairs={proposals.get(entry.text)}
            isOpen={open === entry.text}
            isChosen={chosen.has(entry.text)}
            onOpen={() => setOpen(open === entry.text ? null : entry.text)}
            onChoose={(on) => {
              const next = new Set(chosen);
              if (on) next.add(entry.text);
              else next.delete(entry.text);
              setChosen(next);
            }}
            onTake={(repair) => void take([{ text: entry.text, repair }])}
          />
        ))}
      </ul>
      {overview.cases.length > shown && (
        <Button className="mt-3" onClick={() => setShown(shown + AT_ONCE)}>
          Show {Math.min(AT_ONCE, overview.cases.length - shown)} more of {overview.count}
        </Button>
      )}
      {overview.aside.length > 0 && <AsideList aside={overview.aside} />}
    </>
  );
}
