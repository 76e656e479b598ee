import { count } from "@ui/format";
import { useFact } from "../../ask/useAsk";
import { Section } from "../../frame/Screen";

const SHOWN = 12;

/** Products that rules still name although the feed no longer has them. */
export function Gone() {
  const gone = useFact("GET /api/stores/{store}/gone", {}) ?? [];
  if (gone.length === 0) return null;
  return (
    <Section title="Gone, but still named" note={`${count(gone.length)}; their rules act again when they come back`}>
      <ul className="border-t border-rule text-[13px]">
        {gone.slice(0, SHOWN).map(({ id, uses }) => (
          <li key={id} className="flex gap-3 border-b border-rule py-1.5">
            <b className="font-semibold text-loss">{id}</b>
            <span className="min-w-0 flex-1 truncate text-soft">{uses.join(", ")}</span>
          </li>
        ))}
      </ul>
      {gone.length > SHOWN && <p className="pt-1 text-[12.5px] text-soft">and {count(gone.length - SHOWN)} more</p>}
    </Section>
  );
}
