import type { DemandOverview } from "@contract/demand";
import { count } from "@ui/format";
import { SearchList } from "./SearchList";

type Kind = keyof DemandOverview["changes"];
const KINDS: { kind: Kind; name: string; none: string }[] = [
  { kind: "rose", name: "Asked more", none: "None more than chance would do." },
  { kind: "fell", name: "Asked less", none: "None less than chance would do." },
  { kind: "began", name: "New", none: "None." },
  { kind: "vanished", name: "Not asked any more", none: "None." },
];

/** The searches that changed most. */
export function Changes({ changes }: { changes: DemandOverview["changes"] }) {
  return (
    <div className="grid grid-cols-2 gap-x-6 gap-y-3">
      {KINDS.map(({ kind, name, none }) => (
        <SearchList
          key={kind}
          name={name}
          none={none}
          searches={changes[kind].map(({ text, now, before }) => ({ text, figure: <FromTo from={before.asked} to={now.asked} /> }))}
        />
      ))}
    </div>
  );
}

function FromTo({ from, to }: { from: number; to: number }) {
  return (
    <>
      {count(from)} → <b className="font-semibold text-ink">{count(to)}</b>
    </>
  );
}
