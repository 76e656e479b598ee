import type { Repair, RepairCase } from "@contract/no-results";
import { answerFor, repairEdit } from "@core/insights/repair/repair";
import { Button } from "@ui/Button";
import { Checkbox } from "@ui/controls";
import { ago, count, plural } from "@ui/format";
import { ChevronDown } from "lucide-react";
import { Link } from "react-router";
import { useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";
import { ItMeans } from "./ItMeans";
import { NotOurs } from "./NotOurs";
import { CAUSE_NAMES, sayNext, sayRepair } from "./say";

interface Props {
  entry: RepairCase;
  /** Undefined until they are worked out. */
  repairs: Repair[] | undefined;
  isOpen: boolean;
  isChosen: boolean;
  onOpen: () => void;
  onChoose: (on: boolean) => void;
  onTake: (repair: Pick<Repair, "entry">) => void;
}

const MOST_TEXTS = 4;

/** A search that fails: how often, since when, what became of it, and the repairs. */
export function CaseRow({ entry, repairs, isOpen, isChosen, onOpen, onChoose, onTake }: Props) {
  const { try: tryQuery } = useWindowParts("try");
  const { store, settings } = useOpen("store", "settings");
  const { text, texts, cause, asked, lost, since } = entry;
  const answer = answerFor(settings, text);
  const others = texts.slice(1);
  return (
    <li className={`border-b border-rule py-2 text-[13px] ${isChosen ? "bg-press-soft" : ""}`}>
      <div className="flex items-start gap-2.5">
        <span className="pt-0.5">
          <Checkbox checked={isChosen} label={`Choose ${text}`} onChange={onChoose} />
        </span>
        <div className="min-w-0 flex-1">
          <div className="flex items-baseline gap-2">
            <button
              type="button"
              title={`Try “${text}” in the window`}
              onClick={() => tryQuery(text)}
              className="truncate font-semibold hover:text-press"
            >
              {text}
            </button>
            <span className={`shrink-0 text-[12px] font-semibold ${cause === "nothing" ? "text-loss" : "text-draft"}`}>
              {CAUSE_NAMES[cause]}
            </span>
            <span className="ml-auto shrink-0 text-soft" title={`${count(asked)} times asked, ${count(lost)} without a click`}>
              {count(lost)} lost
            </span>
          </div>
          {answer && (
            <Link to={`/bench/${store.id}/no-results/answers?open=${encodeURIComponent(answer)}`} className="mr-2 text-press">
              Open its own answer
            </Link>
          )}
          {repairs?.[0] ? (
            <First repair={repairs[0]} text={text} onTake={onTake} />
          ) : (
            <p className="text-soft">{repairs ? "Nothing to propose" : "Looking for a repair …"}</p>
          )}
        </div>
        <button
          type="button"
          aria-expanded={isOpen}
          aria-label={`All about ${text}`}
          onClick={onOpen}
          className="p-1 text-soft hover:text-ink"
        >
          <ChevronDown className={`size-4 ${isOpen ? "rotate-180" : ""}`} aria-hidden />
        </button>
      </div>
      {isOpen && (
        <div className="mt-2 ml-[26px] flex flex-col gap-2">
          <p className="text-[12.5px] text-soft">
            Asked {plural(asked, "time")}
            {since ? `, since ${ago(since)}` : ""}. {sayNext(entry)}.
            {others.length > 0 && (
              <>
                {" "}
                With{" "}
                {others
                  .slice(0, MOST_TEXTS)
                  .map((other) => `“${other.text}”`)
                  .join(", ")}
                {others.length > MOST_TEXTS && ` and ${others.length - MOST_TEXTS} more`}.
              </>
            )}
          </p>
          <ul className="border-t border-rule">
            {repairs?.map((repair) => (
              <Proposed key={JSON.stringify(repair.entry)} repair={repair} text={text} onTake={onTake} />
            ))}
          </ul>
          <ItMeans entry={entry} onTake={onTake} />
          <NotOurs text={text} />
        </div>
      )}
    </li>
  );
}

interface RepairProps {
  repair: Repair;
  text: string;
  onTake: Props["onTake"];
}

function Sentence({ repair }: Pick<RepairProps, "repair">) {
  const { fields } = useOpen("fields");
  const { of, does, to } = sayRepair(repair, (key) => fields.find((field) => field.key === key)?.label ?? key);
  return (
    <span>
      {of && <b className="font-semibold">{of}</b>} {does} {to && <b className="font-semibold">{to}</b>}
    </span>
  );
}

/** The likeliest repair, in a line. */
function First({ repair, text, onTake }: RepairProps) {
  return (
    <div className="flex items-center gap-2">
      <span className="min-w-0 flex-1 truncate text-soft" title={repair.reason}>
        <Sentence repair={repair} /> · {sayFinds(repair)}
      </span>
      <TryAndTake repair={repair} text={text} onTake={onTake} />
    </div>
  );
}

function Proposed({ repair, text, onTake }: RepairProps) {
  return (
    <li className="flex items-start gap-2 border-b border-rule py-1.5">
      <div className="min-w-0 flex-1">
        <p>
          <Sentence repair={repair} />
        </p>
        <p className="text-[12.5px] text-soft">{repair.reason}</p>
        <p className="truncate text-[12.5px] text-soft">
          {sayFinds(repair)}
          {repair.titles.length > 0 && `: ${repair.titles.join(", ")}`}
        </p>
      </div>
      <TryAndTake repair={repair} text={text} onTake={onTake} />
    </li>
  );
}

function sayFinds({ kind, outcome, total }: Repair): string {
  if (kind === "redirect") return "leads there";
  if (outcome === "dead-end") return "still finds nothing, but says where to look";
  return `${outcome === "partial" ? "finds in part" : "finds"} ${plural(total, "product")}`;
}

function TryAndTake({ repair, text, onTake }: RepairProps) {
  const { settings } = useOpen("settings");
  const { propose, try: tryQuery } = useWindowParts("propose", "try");
  return (
    <span className="flex shrink-0 gap-1">
      <Button
        onClick={() => {
          tryQuery(text);
          propose({ name: `Repair of “${text}”`, patch: repairEdit(settings, repair.entry) });
        }}
      >
        Try
      </Button>
      <Button
        data-next-step
        onClick={() => {
          propose(null);
          tryQuery(text);
          onTake(repair);
        }}
      >
        Accept
      </Button>
    </span>
  );
}
