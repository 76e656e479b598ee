import type { Trial as TrialAnswer } from "@contract/trial";
import type { PatchOperation } from "@core/settings/patch";
import { count, plural } from "@ui/format";
import { Failed } from "../ask/Answered";
import { useAsk } from "../ask/useAsk";
import { useWindowParts } from "../state/window";

type Outcome = Pick<TrialAnswer["changed"][number]["before"], "outcome" | "total">;

interface Props {
  /** What would be changed; null while there is nothing to try. */
  patch: readonly PatchOperation[] | null;
  /** Only searches with one of these words. */
  words?: readonly string[];
  /** Searches to try whether they were asked or not. */
  queries?: readonly string[];
}

const SHOWN = 8;

/** What a change would do to the searches that shoppers really make, before it enters the draft. */
export function Trial({ patch, words, queries = [] }: Props) {
  const { try: tryQuery } = useWindowParts("try");
  const question = patch && { body: { patch: [...patch], words: words && [...words], queries: [...queries] } };
  const { data: answer, error, refetch } = useAsk("POST /api/stores/{store}/trial", question, { pause: 250 });
  if (!question) return null;
  if (error) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!answer) return <p className="mt-1.5 text-[12.5px] text-soft">Trying it on what shoppers asked …</p>;
  const { changed, tried, asked } = answer;
  return (
    <section aria-label="Trial" className="mt-2 text-[13px]">
      <p className="text-[12.5px] text-soft" role="status">
        {tried === 0
          ? "Nobody has searched with these words yet."
          : changed.length === 0
            ? `Changes none of ${plural(tried, "search", "searches")}${asked > 0 ? ` that were made ${plural(asked, "time")}` : ""}.`
            : `Changes ${count(answer.changedSearches)} of ${plural(tried, "search", "searches")}, made ${plural(answer.changedAsked, "time")} in the log.`}
        {answer.left > 0 && ` ${plural(answer.left, "rarer search", "rarer searches")} not tried.`}
      </p>
      {changed.length > 0 && (
        <ul className="mt-1 border-t border-rule">
          {changed.slice(0, SHOWN).map((change) => (
            <li
              key={change.text}
              className="grid grid-cols-[minmax(0,9rem)_3.5rem_minmax(0,1fr)] items-baseline gap-x-2 border-b border-rule py-1"
            >
              <button type="button" onClick={() => tryQuery(change.text)} className="truncate text-left font-semibold hover:text-press">
                {change.text}
              </button>
              <span className="text-right text-[12px] text-soft">{change.asked > 0 ? `${change.asked} ×` : ""}</span>
              <span className="min-w-0 truncate">
                <Became before={change.before} after={change.after} moved={change.moved} />
                <span className="ml-2 text-[12px] text-soft">{change.after.titles.join(" · ")}</span>
              </span>
            </li>
          ))}
        </ul>
      )}
      {changed.length > SHOWN && <p className="mt-1 text-[12px] text-soft">and {changed.length - SHOWN} more</p>}
    </section>
  );
}

const say = ({ outcome, total }: Outcome) => (outcome === "dead-end" ? "nothing" : `${total}${outcome === "partial" ? " in part" : ""}`);

function Became({ before, after, moved }: { before: Outcome; after: Outcome; moved: number }) {
  const isSame = before.total === after.total && before.outcome === after.outcome;
  const isGain = after.outcome === "results" && before.outcome !== "results";
  const isLoss = before.outcome === "results" && after.outcome !== "results";
  return (
    <span className={`font-semibold ${isGain ? "text-gain" : isLoss ? "text-loss" : ""}`}>
      {isSame ? `${plural(moved, "product")} ${moved === 1 ? "moves" : "move"} on page one` : `${say(before)} → ${say(after)}`}
    </span>
  );
}
