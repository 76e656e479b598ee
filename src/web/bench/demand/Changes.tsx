import type { DemandOverview } from "@contract/demand";
import { count } from "@ui/format";
import { useWindowParts } from "../state/window";

type Kind = keyof DemandOverview["changes"];
const KINDS: { kind: Kind; name: string; none: string }[] = [
  { kind: "rose", name: "Asked more", none: "None more than chance would do." },
  { kind: "fell", name: "Asked less", none: "None less than chance would do." },
  { kind: "began", name: "New", none: "None." },
  { kind: "vanished", name: "Not asked any more", none: "None." },
];

/** The searches that changed most. A press tries one. */
export function Changes({ changes }: { changes: DemandOverview["changes"] }) {
  const { try: tryOut } = useWindowParts("try");
  return (
    <div className="grid grid-cols-2 gap-x-6 gap-y-3 text-[13px]">
      {KINDS.map(({ kind, name, none }) => (
        <section key={kind} aria-label={name}>
          <h3 className="border-b border-ink pb-0.5 text-[12px] text-soft">{name}</h3>
          {changes[kind].length === 0 && <p className="py-1 text-soft">{none}</p>}
          <ul>
            {changes[kind].map(({ text, now, before }) => (
              <li key={text} className="flex items-baseline gap-2 border-b border-rule py-1">
                <button
                  type="button"
                  onClick={() => tryOut(text)}
                  className="min-w-0 flex-1 truncate text-left hover:text-press"
                  title={`Try “${text}”`}
                >
                  {text}
                </button>
                <span className="whitespace-nowrap text-soft tabular-nums">
                  {count(before.asked)} → <b className="font-semibold text-ink">{count(now.asked)}</b>
                </span>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
