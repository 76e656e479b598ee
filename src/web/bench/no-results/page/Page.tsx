import { lookUp } from "@core/records";
import { type DeadEnd, type DeadEndPart, MOST_PROPOSED } from "@core/settings/dead-end";
import { usualText } from "@core/settings/message-texts";
import { rankAt } from "@core/settings/rank";
import { inRankOrder } from "@core/settings/ranked";
import { Button } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { Link } from "react-router";
import { Screen, Section } from "../../frame/Screen";
import { Diamond } from "../../pieces/Diamond";
import { LabelLine, useLanguage } from "../../pieces/LabelLine";
import { NumberLine } from "../../pieces/NumberLine";
import { SortableList, SortableRow } from "../../pieces/SortableList";
import { useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";
import { NONSENSE, useDeadEnd } from "../useDeadEnd";
import { Proposals } from "./Proposals";
import { Tips } from "./Tips";

const PARTS: Record<DeadEndPart, { name: string; note: string }> = {
  message: { name: "Message", note: "a word from you" },
  tips: { name: "Tips", note: "what may help, one by one" },
  searches: { name: "Searches", note: "by hand, then the closest words that find something" },
  products: { name: "Products", note: "by hand, then what sells best in the closest part of the range" },
  categories: { name: "Categories", note: "those with most of the closest products" },
  pages: { name: "Guides", note: "those that answer a word of it" },
};
const USUAL = {
  tips: "dead-end.tips",
  searches: "dead-end.try",
  products: "dead-end.like",
  categories: "dead-end.places",
  pages: "guides.title",
} as const;

/** The page for a search that finds nothing. */
export default function Page() {
  const { store } = useOpen("store");
  const { deadEnd, live, set } = useDeadEnd();
  const { draft, address, try: tryQuery } = useWindowParts("draft", "address", "try");
  const { language, choice } = useLanguage();
  const parts = inRankOrder(deadEnd.parts);
  const isDeadEnd = draft?.outcome === "dead-end";
  const change = (name: DeadEndPart, part: Partial<DeadEnd["parts"][DeadEndPart]>) =>
    set({ parts: { ...deadEnd.parts, [name]: { ...deadEnd.parts[name], ...part } } });
  const isEmpty = !deadEnd.parts.searches.on && !deadEnd.parts.products.on && !deadEnd.parts.categories.on && !deadEnd.parts.pages.on;
  return (
    <Screen title="Page" lead="What shoppers get when nothing is found: a word from you, and ways on that find something." action={choice}>
      <div className="flex items-center gap-3 border-y border-rule py-2 text-[13px]">
        {isDeadEnd ? (
          <span>“{address.query}” finds nothing: the window shows this page.</span>
        ) : (
          <>
            <span className="text-soft">The search in the window finds something. Look at one that does not:</span>
            <Button className="ml-auto" onClick={() => tryQuery(NONSENSE)}>
              Try “{NONSENSE}”
            </Button>
          </>
        )}
      </div>
      <Section title="On the page" note="drag to order; the search box has an arrangement of its own">
        <SortableList
          ids={parts.map(([name]) => name)}
          onMove={(name, place) => change(name as DeadEndPart, { rank: rankAt(deadEnd.parts, name, place) })}
        >
          {parts.map(([key, part]) => {
            const name = key as DeadEndPart;
            return (
              <SortableRow key={name} id={name} label={PARTS[name].name} className="py-1.5 text-[13px]">
                {(handle) => (
                  <div className="flex items-center gap-2">
                    {JSON.stringify(part) !== JSON.stringify(live.parts[name]) && <Diamond className="absolute top-3.5 -left-[13px]" />}
                    {handle}
                    <div className="w-[150px] shrink-0">
                      <b className={`font-semibold ${part.on ? "" : "text-soft"}`}>{PARTS[name].name}</b>
                      <span className="block text-[12px]/4 text-soft">{PARTS[name].note}</span>
                    </div>
                    {name === "message" ? (
                      <LabelLine
                        label="Message when nothing is found"
                        value={deadEnd.message}
                        language={language}
                        placeholder={usualText("dead-end.message", language)}
                        onChange={(message) => set({ message })}
                        className="min-w-0 flex-1"
                      />
                    ) : (
                      <>
                        <LabelLine
                          label={`Heading of ${PARTS[name].name}`}
                          value={part.heading}
                          language={language}
                          placeholder={usualText(USUAL[name], language)}
                          onChange={(heading) => change(name, { heading })}
                          className="min-w-0 flex-1"
                        />
                        <NumberLine
                          label={`${PARTS[name].name} at most`}
                          value={part.most}
                          min={1}
                          max={MOST_PROPOSED}
                          className="w-11"
                          onCommit={(most) => change(name, { most })}
                        />
                      </>
                    )}
                    <Toggle checked={part.on} label={`${PARTS[name].name}: on`} onChange={(on) => change(name, { on })} />
                  </div>
                )}
              </SortableRow>
            );
          })}
        </SortableList>
        {isEmpty && (
          <p className="pt-2 text-[13px] text-loss">Nothing leads on from here: shoppers would have to think of another search.</p>
        )}
        <p className="pt-1.5 text-[12.5px] text-soft">
          {"{query}"} in the message is what was asked. What the box shows is arranged{" "}
          <Link to={`/bench/${store.id}/search-box/panel`} className="font-semibold text-press">
            in the search box
          </Link>
          .
        </p>
      </Section>
      <Section title="Proposed by hand" note="for every search that finds nothing">
        <Proposals
          searches={deadEnd.searches}
          products={deadEnd.products}
          onSearches={(searches) => set({ searches })}
          onProducts={(products) => set({ products })}
          name="every search without results"
        />
        {(["searches", "products"] as const).map((name) => {
          const [byHand, { most }] = [deadEnd[name].length, deadEnd.parts[name]];
          return (
            byHand > most && (
              <p key={name} className="flex items-center gap-2 border-b border-rule py-1.5 text-[13px] text-loss">
                {byHand} {name} by hand, and the page shows {most}.
                <Button className="ml-auto" onClick={() => change(name, { most: byHand })}>
                  Show all {byHand}
                </Button>
              </p>
            )
          );
        })}
        <div className="flex items-center gap-2 border-b border-rule py-2 text-[13px]">
          <Toggle checked={deadEnd.automatic} label="Automatic proposals" onChange={(automatic) => set({ automatic })} />
          Fill up by itself: closest words that find something, what sells in the closest part of the range, guides
        </div>
      </Section>
      <Section title="Tips">
        <Tips tips={lookUp(deadEnd.tips, language) ?? []} onChange={(tips) => set({ tips: { ...deadEnd.tips, [language]: tips } })} />
      </Section>
    </Screen>
  );
}
