import { answerFor, blankAnswer } from "@core/insights/repair/repair";
import { lookUp } from "@core/records";
import { DeadEndAnswer } from "@core/settings/dead-end";
import { add, change, freeId, remove } from "@core/settings/patch";
import { actsAt } from "@core/settings/ranked";
import { Button, IconButton } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { plural } from "@ui/format";
import { ChevronDown, Trash2 } from "lucide-react";
import { useLiveForm } from "../../forms/useLiveForm";
import { Empty, Screen } from "../../frame/Screen";
import { useOpenRow } from "../../frame/useOpenRow";
import { Diamond } from "../../pieces/Diamond";
import { LabelLine, useLanguage } from "../../pieces/LabelLine";
import { Line, Lines } from "../../pieces/Lines";
import { SearchMatches } from "../../pieces/SearchMatches";
import { saySpan } from "../../pieces/say-span";
import { ZonedSpan } from "../../pieces/ZonedSpan";
import { useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";
import { Proposals } from "../page/Proposals";
import { useDeadEnd } from "../useDeadEnd";

/** Answers for single searches or words that find nothing, before what every search without results shows. */
export default function Answers() {
  const { deadEnd, live, edit } = useDeadEnd();
  const { address, draft, try: tryQuery } = useWindowParts("address", "draft", "try");
  const { language, choice } = useLanguage();
  const [open, setOpen] = useOpenRow();
  const answers = Object.entries(deadEnd.answers);
  const query = address.query.trim();
  const answered = query === "" ? null : answerFor({ deadEnd }, query);
  const canAdd = draft?.outcome === "dead-end" && query !== "" && answered === null;
  const make = () => {
    const id = freeId(deadEnd.answers, query);
    void edit([add(["deadEnd", "answers", id], blankAnswer(query))]);
    setOpen(id);
  };
  return (
    <Screen
      title="Own answers"
      lead="For single searches, or words, that find nothing: your word, your searches and products, before what every search without results shows."
      action={choice}
    >
      <div className="flex items-center gap-3 border-y border-rule py-2 text-[13px]">
        {canAdd ? (
          <>
            <span>“{query}” finds nothing and has no answer of its own.</span>
            <Button data-next-step look="main" className="ml-auto" onClick={make}>
              Answer “{query.length > 18 ? `${query.slice(0, 18)}…` : query}” itself
            </Button>
          </>
        ) : answered !== null ? (
          <>
            <span>“{query}” has an answer of its own.</span>
            <Button data-next-step={open === answered ? undefined : true} className="ml-auto" onClick={() => setOpen(answered)}>
              Open it
            </Button>
          </>
        ) : (
          <span className="text-soft">Search something in the window that finds nothing, to give it an answer of its own.</span>
        )}
      </div>
      {answers.length === 0 && (
        <div className="mt-3">
          <Empty>None yet. Think of what shoppers ask for that you do not sell, and what you would offer them in the shop.</Empty>
        </div>
      )}
      <ul>
        {answers.map(([id, answer]) => (
          <AnswerRow
            key={id}
            id={id}
            answer={answer}
            isDraft={JSON.stringify(answer) !== JSON.stringify(lookUp(live.answers, id))}
            language={language}
            isOpen={open === id}
            onOpen={() => {
              setOpen(open === id ? null : id);
              tryQuery(answer.searches[0].text);
            }}
          />
        ))}
      </ul>
    </Screen>
  );
}

interface RowProps {
  id: string;
  answer: DeadEndAnswer;
  isDraft: boolean;
  language: string;
  isOpen: boolean;
  onOpen: () => void;
}

function AnswerRow({ id, answer: kept, isDraft, language, isOpen, onOpen }: RowProps) {
  const { store } = useOpen("store");
  const { edit } = useDeadEnd();
  const form = useLiveForm(DeadEndAnswer, kept, (part) => edit(change(["deadEnd", "answers", id], part)));
  const { value: answer, change: set, problemOf } = form;
  const name = answer.searches[0].text;
  const acts = actsAt(answer, Date.now());
  return (
    <li className="relative border-b border-rule py-2 text-[13px]">
      {isDraft && <Diamond className="absolute top-4 -left-[13px]" />}
      <div className="flex items-center gap-2.5">
        <button type="button" aria-expanded={isOpen} onClick={onOpen} className="min-w-0 flex-1 text-left">
          <b className={`block truncate font-semibold ${acts ? "" : "text-soft"}`}>
            {answer.searches.map((search) => search.text).join(", ")}
          </b>
          <span className="block truncate text-[12.5px] text-soft">
            {plural(answer.proposals.length, "search", "searches")}, {plural(answer.products.length, "product")}
            {answer.from || answer.until ? ` · ${saySpan(answer, store.timeZone)}` : ""}
          </span>
        </button>
        <Toggle checked={answer.on} label={`Answer for ${name}: on`} onChange={(on) => set({ on })} />
        <IconButton label={`Remove the answer for ${name}`} onClick={() => void edit([remove(["deadEnd", "answers", id])])}>
          <Trash2 className="size-4" />
        </IconButton>
        <ChevronDown className={`size-4 text-soft ${isOpen ? "rotate-180" : ""}`} aria-hidden />
      </div>
      {isOpen && (
        <div className="mt-2">
          <div className="flex flex-col gap-1.5 border-t border-rule py-2">
            <SearchMatches
              value={answer.searches}
              lead="When the search"
              onChange={(searches) => searches.length > 0 && set({ searches })}
            />
          </div>
          <Lines wide>
            <Line name="Message" problem={problemOf("message")}>
              <div data-next-field>
                <LabelLine
                  label={`Message for ${name}`}
                  value={answer.message}
                  language={language}
                  placeholder="as for every search"
                  onChange={(message) => set({ message })}
                />
              </div>
            </Line>
            <Line name="Holds" problem={problemOf("until")}>
              <ZonedSpan value={answer} timeZone={store.timeZone} onChange={({ from, until }) => set({ from, until })} />
            </Line>
          </Lines>
          <Proposals
            searches={answer.proposals}
            products={answer.products}
            onSearches={(proposals) => set({ proposals })}
            onProducts={(products) => set({ products })}
            name={name}
          />
        </div>
      )}
    </li>
  );
}
