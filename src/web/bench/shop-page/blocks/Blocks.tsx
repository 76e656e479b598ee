import { lookUp } from "@core/records";
import type { Block } from "@core/settings/page/block";
import { inRankOrder } from "@core/settings/ranked";
import { Button } from "@ui/Button";
import { Empty, Screen } from "../../frame/Screen";
import { useOpenRow } from "../../frame/useOpenRow";
import { useLanguage } from "../../pieces/LabelLine";
import { SortableList } from "../../pieces/SortableList";
import { useOpen } from "../../state/bench";
import { addEntry, moveEntry } from "../edits";
import { usePageFacts } from "../usePageFacts";
import { BlockRow } from "./BlockRow";

const LEAD =
  "Titled blocks over, among or beside the results: chosen products, what sells best of a selection, the same search elsewhere, categories or guides.";

/** All blocks in their order. */
export default function Blocks() {
  const { settings, front } = useOpen("settings", "front");
  const facts = usePageFacts();
  const { language, choice } = useLanguage();
  const [open, setOpen] = useOpenRow();
  const entries = inRankOrder({ ...settings.page.blocks });
  const add = () => {
    const [first] = front.categories;
    setOpen(
      addEntry("blocks", "block", { ...BLANK, title: { [language]: "New block" }, shows: { same: { category: first?.path ?? ["–"] } } }),
    );
  };
  return (
    <Screen title="Blocks" lead={LEAD} action={<Button onClick={add}>Another block</Button>}>
      {choice && <div className="mb-2 flex justify-end">{choice}</div>}
      {entries.length === 0 && <Empty>No block yet. One with the same search among books or guides shows what else there is.</Empty>}
      <SortableList ids={entries.map(([id]) => id)} onMove={(id, place) => moveEntry("blocks", id, place)}>
        {entries.map(([id, block]) => (
          <BlockRow
            key={id}
            id={id}
            block={block}
            stands={lookUp(facts?.blocks, id)}
            searches={facts?.searches ?? 0}
            language={language}
            isOpen={open === id}
            onOpen={() => setOpen(open === id ? null : id)}
          />
        ))}
      </SortableList>
    </Screen>
  );
}

const BLANK: Omit<Block, "rank" | "shows" | "title"> = {
  place: "above",
  after: 8,
  most: 4,
  least: 2,
  more: true,
  searching: true,
  browsing: false,
  searches: [],
  categories: [],
  on: true,
  from: null,
  until: null,
};
