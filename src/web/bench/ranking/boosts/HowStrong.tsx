import type { Condition } from "@core/settings/condition";
import { plural } from "@ui/format";
import { useState } from "react";
import { Failed } from "../../ask/Answered";
import { useAsk } from "../../ask/useAsk";
import { Section } from "../../frame/Screen";
import { ProductPicker } from "../../pieces/ProductPicker";
import { useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";

const say = (percent: number | null) => (percent === null ? "no strength does it" : percent === 0 ? "is there now" : `+${percent} %`);

/** How strong a boost must be for a product or a selection, in the search at hand and in the most asked ones. */
export function HowStrong() {
  const { settings } = useOpen("settings");
  const { address, try: tryQuery } = useWindowParts("address", "try");
  const [what, setWhat] = useState<{ label: string; body: { products: string[] } | { condition: Condition } } | null>(null);
  const { query } = address;
  const { data: answer, error, refetch } = useAsk("POST /api/stores/{store}/strength", what && { body: { ...what.body, query } });
  const selections = Object.entries(settings.selections);
  return (
    <Section title="How strong must it be?" note="before you make a boost">
      <div className="border-t border-rule pt-2">
        <ProductPicker label="Product to bring forward" onPick={({ id, title }) => setWhat({ label: title, body: { products: [id] } })} />
        {selections.length > 0 && (
          <p className="mt-1.5 flex flex-wrap gap-x-3 text-[13px]">
            <span className="text-soft">or</span>
            {selections.map(([id, { name }]) => (
              <button
                key={id}
                type="button"
                className="max-w-full truncate font-semibold text-press hover:underline"
                onClick={() => setWhat({ label: name, body: { condition: { selection: id } } })}
              >
                {name}
              </button>
            ))}
          </p>
        )}
      </div>
      {error && <Failed error={error} onRetry={() => void refetch()} />}
      {what && !error && (
        <div className="mt-3 text-[13px]">
          <p>
            <b className="font-semibold">{what.label}</b>
            {query.trim() !== "" &&
              answer &&
              (answer.search ? `, “${query}”: is at ${answer.search.best.position}.` : ` is not among the first 250 for “${query}”.`)}
            {query.trim() === "" && <span className="text-soft"> · try a search in the window to see what it takes there</span>}
          </p>
          {answer?.search && answer.search.best.position > 1 && (
            <ul className="mt-1 border-t border-rule">
              {nearest(answer.search.passes).map((row) => (
                <li key={row.id} className="flex h-8 items-center gap-3 border-b border-rule">
                  <span className="w-6 text-right text-soft">{row.position}</span>
                  <span className="min-w-0 flex-1 truncate">to pass {row.title}</span>
                  <b className={`font-semibold ${row.percent === null ? "text-loss" : ""}`}>{say(row.percent)}</b>
                </li>
              ))}
              <li className="flex h-8 items-center gap-3 border-b border-rule">
                <span className="w-6 text-right text-soft">1</span>
                <span className="flex-1 font-semibold">to be first</span>
                <b className={`font-semibold ${answer.search.first === null ? "text-loss" : ""}`}>{say(answer.search.first)}</b>
              </li>
            </ul>
          )}
          {answer && answer.frequent.length > 0 && (
            <>
              <p className="mt-3 text-[12.5px] text-soft">Over the most asked searches that show it:</p>
              <ul className="mt-1 border-t border-rule">
                {answer.frequent.slice(0, 12).map((row) => (
                  <li key={row.search} className="flex h-8 items-center gap-3 border-b border-rule">
                    <button
                      type="button"
                      className="min-w-0 flex-1 truncate text-left font-semibold hover:text-press"
                      onClick={() => tryQuery(row.search)}
                    >
                      {row.search}
                    </button>
                    <span className="text-[12px] text-soft">{plural(row.asked, "time")}</span>
                    <span className="w-16 text-right">place {row.position}</span>
                    <span className="w-32 text-right font-semibold">
                      {row.first === 0 ? "first already" : row.first === null ? "not by strength" : `+${row.first} % to be first`}
                    </span>
                  </li>
                ))}
              </ul>
            </>
          )}
        </div>
      )}
    </Section>
  );
}

/** The results right before it; those further on are passed on the way. */
const nearest = <T,>(passes: readonly T[]): T[] => passes.slice(0, 5);
