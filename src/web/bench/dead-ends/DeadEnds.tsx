import type { DeadEndAnswer, Settings } from "@core/settings/schema";
import { freeId, pointerKey } from "@core/shelves/edit";
import { Button, IconButton } from "@ui/Button";
import { TextLine, Tick, Toggle } from "@ui/controls";
import { plural } from "@ui/format";
import { Trash2 } from "lucide-react";
import { Screen, Section } from "../frame/Screen";
import { useBenchParts, useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import { Proposals } from "./Proposals";

const RUNGS: Record<Settings["deadEnd"]["ladder"][number], string> = {
  joined: "Join and split words (“green house” finds greenhouse)",
  widening: "Take words that are close",
  partial: "Show what has most of the words, and say what was left out",
  category: "Show the category of the closest words",
};
/** A search that finds nothing in any shop. */
const NONSENSE = "abracadabra";
const ALL_RUNGS = Object.keys(RUNGS) as Settings["deadEnd"]["ladder"];

/** What a shopper gets when nothing is found. */
export default function DeadEnds() {
  const { settings } = useOpen("settings");
  const { edit } = useBenchParts("edit");
  const { draft, address, try: tryQuery } = useWindowParts("draft", "address", "try");
  const { deadEnd } = settings;
  const replace = (path: string, value: unknown) => void edit([{ op: "replace", path: `/deadEnd/${path}`, value }]);
  const query = address.query.trim();
  const answers = Object.entries(deadEnd.answers);
  const own = answers.find(([, answer]) => answer.searches.some((search) => search.text.toLowerCase() === query.toLowerCase()));
  const isDeadEnd = draft?.outcome === "dead-end";
  const addAnswer = () => {
    const value: DeadEndAnswer = {
      searches: [{ match: "is", text: query }],
      message: {},
      proposals: [],
      products: [],
      on: true,
      from: null,
      until: null,
    };
    void edit([{ op: "add", path: `/deadEnd/answers/${pointerKey(freeId(deadEnd.answers, query))}`, value }]);
  };
  return (
    <Screen title="Dead ends" lead="What shoppers get when nothing is found: a word from you, and ways on that find something.">
      <div className="flex items-center gap-3 border-y border-rule py-2">
        {isDeadEnd ? (
          <>
            <span>“{query}” finds nothing: the window shows this page.</span>
            {!own && (
              <Button look="main" className="ml-auto" onClick={addAnswer}>
                Answer “{query.length > 18 ? `${query.slice(0, 18)}…` : query}” itself
              </Button>
            )}
          </>
        ) : (
          <>
            <span className="text-soft">The search in the window finds something. Look at one that does not:</span>
            <Button className="ml-auto" onClick={() => tryQuery(NONSENSE)}>
              Try “{NONSENSE}”
            </Button>
          </>
        )}
      </div>
      {own && <Answer id={own[0]} answer={own[1]} />}
      <Section title="For every search that finds nothing">
        <div className="flex flex-col gap-2 border-t border-rule py-2">
          <div className="flex items-center gap-2 text-[13px]">
            <span className="w-20 shrink-0 text-soft">Message</span>
            <TextLine
              label="Message when nothing is found"
              value={deadEnd.message.en ?? ""}
              placeholder="Nothing found for “{query}”."
              onCommit={(text) => replace("message", { ...deadEnd.message, en: text })}
              className="flex-1"
            />
          </div>
          <p className="ml-[88px] text-[12.5px] text-soft">{"{query}"} stands for what was asked.</p>
        </div>
        <Proposals
          searches={deadEnd.searches}
          products={deadEnd.products}
          onSearches={(searches) => replace("searches", searches)}
          onProducts={(products) => replace("products", products)}
          name="every dead end"
        />
        <div className="flex items-center gap-2 border-b border-rule py-2 text-[13px]">
          <Toggle checked={deadEnd.automatic} label="Automatic proposals" onChange={(automatic) => replace("automatic", automatic)} />
          Fill up by itself: closest words that find something, best sellers, guides
        </div>
      </Section>
      {answers.length > 0 && (
        <Section title="Own answers" note={plural(answers.length, "search", "searches")}>
          <ul className="border-t border-rule">
            {answers.map(([id, answer]) => (
              <li key={id} className="flex min-h-9 items-center gap-3 border-b border-rule py-1.5">
                <button
                  type="button"
                  className={`min-w-0 flex-1 truncate text-left font-semibold hover:text-press ${answer.on ? "" : "text-soft line-through"}`}
                  onClick={() => tryQuery(answer.searches[0].text)}
                >
                  {answer.searches.map((search) => search.text).join(", ")}
                </button>
                <span className="text-[12.5px] text-soft">
                  {plural(answer.proposals.length, "search", "searches")}, {plural(answer.products.length, "product")}
                </span>
                <Toggle
                  checked={answer.on}
                  label={`Answer for ${answer.searches[0].text}: on`}
                  onChange={(on) => replace(`answers/${pointerKey(id)}/on`, on)}
                />
                <IconButton
                  label={`Remove the answer for ${answer.searches[0].text}`}
                  onClick={() => void edit([{ op: "remove", path: `/deadEnd/answers/${pointerKey(id)}` }])}
                >
                  <Trash2 className="size-4" />
                </IconButton>
              </li>
            ))}
          </ul>
        </Section>
      )}
      <Section title="Before giving up" note="tried in this order when no product has every word">
        <ul className="border-t border-rule">
          {ALL_RUNGS.map((rung) => (
            <li key={rung} className="flex min-h-9 items-center gap-3 border-b border-rule">
              <Tick
                checked={deadEnd.ladder.includes(rung)}
                label={RUNGS[rung]}
                onChange={(on) =>
                  replace(
                    "ladder",
                    on
                      ? ALL_RUNGS.filter((entry) => entry === rung || deadEnd.ladder.includes(entry))
                      : deadEnd.ladder.filter((entry) => entry !== rung),
                  )
                }
              />
              <span className="text-[13px]">{RUNGS[rung]}</span>
            </li>
          ))}
        </ul>
      </Section>
    </Screen>
  );
}

function Answer({ id, answer }: { id: string; answer: DeadEndAnswer }) {
  const { edit } = useBenchParts("edit");
  const name = answer.searches[0].text;
  const replace = (key: string, value: unknown) => void edit([{ op: "replace", path: `/deadEnd/answers/${pointerKey(id)}/${key}`, value }]);
  return (
    <Section title={`For “${name}”`} note="stands before what every dead end shows">
      <div className="flex items-center gap-2 border-t border-rule py-2 text-[13px]">
        <span className="w-20 shrink-0 text-soft">Message</span>
        <TextLine
          label={`Message for ${name}`}
          value={answer.message.en ?? ""}
          placeholder="as for every search"
          onCommit={(text) => replace("message", text ? { ...answer.message, en: text } : {})}
          className="flex-1"
        />
      </div>
      <Proposals
        searches={answer.proposals}
        products={answer.products}
        onSearches={(searches) => replace("proposals", searches)}
        onProducts={(products) => replace("products", products)}
        name={name}
      />
    </Section>
  );
}
