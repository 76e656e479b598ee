import type { SearchAnswer } from "@contract/search";
import { plural } from "@ui/format";
import { useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import { movementsOf } from "./movement";
import { NothingHere } from "./NothingHere";
import { ShelfTrace } from "./ShelfTrace";
import { sayWhy } from "./say-why";

type Step = SearchAnswer["query"]["steps"][number];

/** What was made of the search, in words, and how the draft differs from what is live. */
export function Trace() {
  const { settings, front } = useOpen("settings", "front");
  const { address, draft, live, lost, mode, go, set } = useWindowParts("address", "draft", "live", "lost", "mode", "go", "set");
  const answer = mode === "live" ? live?.answer : draft;
  if (!answer) return null;
  const moves = mode === "live" || !draft ? null : movementsOf(draft, live);
  return (
    <div className="flex flex-wrap items-baseline gap-x-3.5 gap-y-0.5 border-b border-rule bg-raised px-3.5 py-[7px] text-[13px] text-soft">
      {answer.query.steps.map((step) => (
        <Said key={`${step.kind}${step.from}${step.to ?? ""}`} step={step} searched={answer.query.searched} />
      ))}
      <ShelfTrace answer={answer} />
      {answer.query.steps.some(({ kind }) => kind === "correction") && (
        <TraceButton onClick={() => go({ asTyped: true, page: 1 })}>As typed instead</TraceButton>
      )}
      {address.asTyped && <TraceButton onClick={() => go({ asTyped: false, page: 1 })}>Correct again</TraceButton>}
      {answer.query.didYouMean.length > 0 && <span>Did you mean {answer.query.didYouMean.join(", ")}?</span>}
      {mode === "draft" && answer.outcome === "dead-end" && answer.query.typed.trim() !== "" && (
        <NothingHere query={answer.query.typed.trim()} />
      )}
      {answer.query.steps.length === 0 && <span>{answer.query.typed ? "Searched as typed" : "Everything here"}</span>}
      <span className="ml-auto text-right" role="status">
        <b className="text-ink">{answer.outcome === "dead-end" ? "nothing found" : plural(answer.total, "product")}</b>
        {moves && (moves.moved > 0 || moves.fresh > 0) && (
          <span>
            {moves.moved > 0 && ` · ${moves.moved} moved`}
            {moves.fresh > 0 && ` · ${moves.fresh} new`}
          </span>
        )}
        {mode !== "live" && lost.length > 0 && (
          <button
            type="button"
            className="ml-1 text-loss underline decoration-dotted"
            title={lost.map((entry) => `${entry.title}: ${sayWhy(entry.why, settings, front)}`).join("\n")}
            onClick={() => set({ isFinding: true })}
          >
            · {lost.length} lost
          </button>
        )}
      </span>
    </div>
  );
}

function TraceButton({ onClick, children }: { onClick: () => void; children: string }) {
  return (
    <button type="button" onClick={onClick} className="text-press underline decoration-dotted">
      {children}
    </button>
  );
}

/** "..10" as one says it. */
function sayBetween(range = ""): string {
  const [from, to] = range.split("..");
  return from === "" ? `up to ${to}` : to === "" ? `from ${from}` : `${from} to ${to}`;
}

const MOST_NAMED = 4;

/** A list of values, the first few of them. */
function shorten(list = ""): string {
  const values = list.split(", ");
  return values.length <= MOST_NAMED + 1 ? list : `${values.slice(0, MOST_NAMED).join(", ")} and ${values.length - MOST_NAMED} more`;
}

function Said({ step, searched }: { step: Step; searched: string }) {
  const strong = (text: string | undefined) => <b className="text-ink">{text}</b>;
  switch (step.kind) {
    case "correction":
      return (
        <span>
          Showing {strong(searched)}; you typed {step.from}
        </span>
      );
    case "read-as":
      return (
        <span>
          {step.from} is read as {strong(step.to)}
        </span>
      );
    case "synonym":
      return (
        <span>
          {step.from} = {strong(step.to)}
        </span>
      );
    case "completion":
      return (
        <span>
          {step.from}… = {strong(step.to)}
        </span>
      );
    case "ignored":
      return <span>Ignored: {strong(step.from)}</span>;
    case "shelf":
      return <span>Shelf {strong(step.to)}</span>;
    case "number":
      return <span>One measure: {strong(step.from)}</span>;
    case "phrase":
      return <span>Together: {strong(step.from)}</span>;
    case "article-number":
      return <span>Article number {strong(step.from)}</span>;
    case "widened":
      return (
        <span>
          Also close to {step.from}: {strong(step.to)}
        </span>
      );
    case "joined":
    case "compound":
      return (
        <span>
          {step.from} = {strong(step.to)}
        </span>
      );
    case "partial":
      return <span>No product has all words; showing {strong(step.to)}</span>;
    case "filled-up":
      return <span>Few have all words; filled up with {strong(step.to)}</span>;
    case "price":
      return (
        <span>
          {step.from} = {strong(`price ${sayBetween(step.to)}`)}
        </span>
      );
    case "without":
      return step.to ? (
        <span>
          {step.from}: {strong(shorten(step.to))} kept out
        </span>
      ) : (
        <span>{step.from}: no value says which have it, so nothing is kept out</span>
      );
    case "category-first":
      return (
        <span>
          {step.from} is a category: {strong(step.to)} first
        </span>
      );
    case "category":
      return <span>Closest category: {strong(step.to)}</span>;
    case "intent":
      return (
        <span>
          {step.from} → {strong(step.to)}
        </span>
      );
    case "intent-back":
      return (
        <span>
          {step.from} would mean {step.to}, where nothing fits: taken as a word
        </span>
      );
    case "group":
      return (
        <span>
          {step.from} = {strong(shorten(step.to))}
        </span>
      );
    case "colour":
      return (
        <span>
          No {step.from} here; the nearest is {strong(step.to)}
        </span>
      );
    case "amount":
      return (
        <span>
          Near to {step.from}: {strong(shorten(step.to))}
        </span>
      );
    case "shades":
      return (
        <span>
          Also near to {step.from}: {strong(step.to)}
        </span>
      );
    case "dropped":
      return <span>Too long, not read: {strong(step.from)}</span>;
    default:
      return (
        <span>
          {step.from} {step.to && strong(step.to)}
        </span>
      );
  }
}
