import type { RepairOverview } from "@contract/no-results";
import { Button } from "@ui/Button";
import { ago, plural } from "@ui/format";
import { Section } from "../../frame/Screen";
import { useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";
import { ignoreSearch } from "./useRepair";

/** Searches that are ignored, with the reason; they are counted all the same. */
export function AsideList({ aside }: { aside: RepairOverview["aside"] }) {
  const { store } = useOpen("store");
  const { try: tryQuery } = useWindowParts("try");
  return (
    <Section title="Ignored" note={plural(aside.length, "search", "searches")}>
      <ul className="border-t border-rule">
        {aside.map(({ text, reason, by, at, asked, lost }) => (
          <li key={text} className="flex min-h-9 items-center gap-3 border-b border-rule py-1 text-[13px]">
            <div className="min-w-0 flex-1">
              <button type="button" onClick={() => tryQuery(text)} className="font-semibold hover:text-press">
                {text}
              </button>
              <p className="truncate text-[12.5px] text-soft">
                {reason} · {by}, {ago(at)} · {asked > 0 ? `asked ${plural(asked, "time")}, ${lost} lost` : "no longer fails"}
              </p>
            </div>
            <Button onClick={() => void ignoreSearch(store.id, text, null)}>Stop ignoring</Button>
          </li>
        ))}
      </ul>
    </Section>
  );
}
