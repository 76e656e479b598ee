import type { Repair as Proposed, RepairOverview } from "@contract/no-results";
import type { Cause } from "@core/insights/repair/case";
import { repairEdit, withRepair } from "@core/insights/repair/repair";
import type { PatchOperation } from "@core/settings/patch";
import { Button } from "@ui/Button";
import { Checkbox, Select } from "@ui/controls";
import { count, percent, plural } from "@ui/format";
import { toast } from "@ui/toast";
import { useMemo, useState } from "react";
import { Answered } from "../../ask/Answered";
import { Skeleton } from "../../ask/Skeleton";
import { Empty } from "../../frame/Screen";
import { useOpenRow } from "../../frame/useOpenRow";
import { useBench, useBenchParts, useOpen } from "../../state/bench";
import { AsideList } from "./AsideList";
import { CaseRow } from "./CaseRow";
import { CAUSE_NAMES } from "./say";
import { useProposals, useRepair } from "./useRepair";

/** Cases that are shown before more are asked for. */
const AT_ONCE = 25;

/** What is said where no case has a cause. */
const NONE: Record<Cause, string> = {
  nothing: "finds nothing",
  few: "finds next to nothing",
  part: "is matched in part",
  corrected: "is corrected to what nobody wants",
};

/** How far looking for cases is; those that lose most are mostly found first. */
function SoFar({ looked, of }: { looked: number; of: number }) {
  return (
    <p className="mb-2 flex items-center gap-2 text-[12.5px] text-soft">
      <span className="h-[5px] w-24 bg-rule" aria-hidden>
        <span className="block h-full bg-press" style={{ width: `${(looked / Math.max(1, of)) * 100}%` }} />
      </span>
      Looked at {count(looked)} of {count(of)} searches; there is more to come.
    </p>
  );
}

/** The searches that fail, with what could be done about each: tried in the window, taken one by one or many at once. */
export default function Repair() {
  const [cause, setCause] = useState<Cause | null>(null);
  return (
    <div className="h-full overflow-y-auto px-5 pt-4 pb-10">
      <h1 className="text-[22px]/7">Repair</h1>
      <p className="mt-0.5 mb-2 max-w-[500px] text-soft">
        Searches that find nothing, next to nothing, only a part, or what a correction found and nobody wanted; most lost first.
      </p>
      <Answered of={useRepair(cause)} loading={<Skeleton rows={8} height={52} />}>
        {(overview) => <Cases overview={overview} cause={cause} onCause={setCause} />}
      </Answered>
    </div>
  );
}

interface CasesProps {
  overview: RepairOverview;
  /** Which cases are shown; null for all. */
  cause: Cause | null;
  onCause: (cause: Cause | null) => void;
}

const ALL = "all";

function Cases({ overview, cause, onCause }: CasesProps) {
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
  const take = async (repairs: readonly { text: string; repair: Pick<Proposed, "entry"> }[]) => {
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
      {overview.progress && <SoFar {...overview.progress} />}
      <p role="status" className="border-y border-rule py-2 text-[13px]">
        <b className="font-semibold">{count(overview.lostDraft)}</b> of {count(overview.searches)} searches are lost to{" "}
        {plural(
          overview.causes.reduce((sum, { count }) => sum + count, 0),
          "case",
        )}
        .{" "}
        {saved > 0 ? (
          <span className="text-gain">
            The draft saves {count(saved)} of the {count(overview.lostLive)} lost today, {percent(saved / overview.lostLive)}.
          </span>
        ) : (
          <span className="text-soft">As many as today; accept a repair and it shrinks.</span>
        )}
      </p>
      <div className="sticky top-[-16px] z-10 flex h-10 items-center gap-2.5 border-b border-ink bg-paper text-[13px]">
        {cases.length > 0 && (
          <Checkbox
            checked={here.length === cases.length}
            label="Choose all cases shown"
            onChange={(on) => setChosen(new Set(on ? cases.map(({ text }) => text) : []))}
          />
        )}
        {here.length > 0 ? (
          <>
            <b className="font-semibold">{count(here.length)} chosen</b>
            <Button look="main" disabled={ready.length === 0} onClick={() => void take(ready)}>
              Accept the first repair of {ready.length}
            </Button>
          </>
        ) : (
          <span className="flex-1 text-soft">Search, what is wrong, and the likeliest repair</span>
        )}
        <Select
          label="What is wrong"
          value={cause ?? ALL}
          onChange={(next) => onCause(next === ALL ? null : (next as Cause))}
          options={[
            { value: ALL, label: "All that fail" },
            ...overview.causes.map(({ cause, count: cases }) => ({ value: cause, label: `${CAUSE_NAMES[cause]} (${count(cases)})` })),
          ]}
          className="ml-auto"
        />
      </div>
      {overview.count === 0 && !overview.progress && (
        <Empty>{cause ? `No search ${NONE[cause]} in this draft.` : "No search of the log fails in this draft."}</Empty>
      )}
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
