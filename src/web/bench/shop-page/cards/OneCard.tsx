import { lookUp } from "@core/records";
import type { Condition } from "@core/settings/condition";
import { inRankOrder } from "@core/settings/ranked";
import { TextLine } from "@ui/controls";
import { plural } from "@ui/format";
import { ArrowLeft } from "lucide-react";
import { Link, Navigate, useParams } from "react-router";
import { Section } from "../../frame/Screen";
import { useOpenRow } from "../../frame/useOpenRow";
import { ConditionBuilder } from "../../pieces/conditions/ConditionBuilder";
import { Diamond } from "../../pieces/Diamond";
import { useLanguage } from "../../pieces/LabelLine";
import { SortableList } from "../../pieces/SortableList";
import { useOpen } from "../../state/bench";
import { addPart, changeCard, editableCards, movePart } from "../edits";
import { usePageFacts } from "../usePageFacts";
import { AddPart } from "./AddPart";
import { CardPreview } from "./CardPreview";
import { PartRow } from "./PartRow";
import { offersFor } from "./parts";

const EMPTY: Condition = { all: [] };

/** One card: its parts in order, beside the products that show most and least of it. */
export function OneCard() {
  const { id = "" } = useParams();
  const { settings, live, fields, front } = useOpen("settings", "live", "fields", "front");
  const facts = lookUp(usePageFacts()?.cards, id);
  const { language, choice } = useLanguage();
  const [open, setOpen] = useOpenRow();
  const card = editableCards(settings.page.cards).find(([key]) => key === id)?.[1];
  if (!card) return <Navigate to=".." relative="path" replace />;
  const parts = inRankOrder(card.parts);
  const optionFields = front.fields.filter(({ perOption, role }) => perOption && role === "attribute").map(({ key }) => key);
  const was = lookUp(live.page.cards, id);
  return (
    <div className="h-full overflow-y-auto px-5 pt-3 pb-10">
      <Link to=".." relative="path" className="inline-flex items-center gap-1 text-[13px] text-soft no-underline hover:text-ink">
        <ArrowLeft className="size-3.5" /> All cards
      </Link>
      <div className="relative mt-1 flex items-center gap-3">
        {JSON.stringify(lookUp(settings.page.cards, id)) !== JSON.stringify(was) && <Diamond className="absolute top-3 -left-[13px]" />}
        <h1 className="sr-only">Card {card.name}</h1>
        <TextLine
          label="Name of the card"
          value={card.name}
          onCommit={(name) => name.trim() && changeCard(id, { name: name.trim() })}
          className="!h-8 min-w-0 flex-1 font-head !text-[19px] font-semibold"
        />
        <span className="text-[13px] text-soft">{facts ? plural(facts.products, "product") : ""}</span>
        <span className="ml-auto">{choice}</span>
      </div>
      {card.condition !== null && (
        <Section title="For which products">
          <div className="border-t border-rule pt-1">
            <ConditionBuilder value={card.condition ?? EMPTY} onChange={(condition) => changeCard(id, { condition })} />
          </div>
        </Section>
      )}
      <div className="mt-4 grid grid-cols-[minmax(0,1fr)_170px] gap-5">
        <section aria-label="Parts">
          <div className="mb-1 flex items-baseline gap-2">
            <h2 className="text-[16px]/6">Parts</h2>
            <span className="text-[12.5px] text-soft">and how many have them</span>
          </div>
          <SortableList ids={parts.map(([key]) => key)} onMove={(part, place) => movePart(id, part, place)}>
            {parts.map(([key, part]) => (
              <PartRow
                key={key}
                card={id}
                id={key}
                part={part}
                was={lookUp(was?.parts, key)}
                language={language}
                said={lookUp(facts?.parts, key)}
                products={facts?.products ?? 0}
                isOpen={open === key}
                onOpen={() => setOpen(open === key ? null : key)}
              />
            ))}
          </SortableList>
          <AddPart offers={offersFor(card.parts, fields, optionFields, language)} onAdd={(part) => setOpen(addPart(id, part))} />
        </section>
        <CardPreview facts={facts ?? null} />
      </div>
    </div>
  );
}
