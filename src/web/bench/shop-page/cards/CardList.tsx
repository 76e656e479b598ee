import { lookUp } from "@core/records";
import type { Card } from "@core/settings/page/card";
import { USUAL_CARD } from "@core/settings/page/cards";
import { inRankOrder } from "@core/settings/ranked";
import { Button, IconButton } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { plural } from "@ui/format";
import { Trash2 } from "lucide-react";
import { Link, useNavigate } from "react-router";
import { Screen } from "../../frame/Screen";
import { sayCondition } from "../../pieces/conditions/say-condition";
import { Diamond } from "../../pieces/Diamond";
import { SortableList, SortableRow } from "../../pieces/SortableList";
import { useOpen } from "../../state/bench";
import { addEntry, changeEntry, editableCards, moveEntry, removeEntry } from "../edits";
import { usePageFacts } from "../usePageFacts";
import { PriceForm } from "./PriceForm";
import { PART_NAMES } from "./parts";

const LEAD = "What shoppers see of a product in a list. Each product has the first card that is for it; the usual card is for all others.";

/** All cards in the order in which they are tried. */
export function CardList() {
  const { settings, live, fields } = useOpen("settings", "live", "fields");
  const facts = usePageFacts();
  const navigate = useNavigate();
  const cards = editableCards(settings.page.cards);
  const add = () => {
    const usual = cards.find(([, card]) => card.condition === null)?.[1] ?? USUAL_CARD;
    void navigate(addEntry("cards", "card", { ...usual, name: "New card", condition: { any: [] }, on: true }));
  };
  return (
    <Screen title="Cards" lead={LEAD} action={<Button onClick={add}>Another card</Button>}>
      <SortableList ids={cards.map(([id]) => id)} onMove={(id, place) => lookUp(settings.page.cards, id) && moveEntry("cards", id, place)}>
        {cards.map(([id, card]) => (
          <SortableRow key={id} id={id} label={card.name} className="py-2">
            {(handle) => (
              <>
                {JSON.stringify(lookUp(settings.page.cards, id)) !== JSON.stringify(lookUp(live.page.cards, id)) && (
                  <Diamond className="absolute top-[18px] -left-[13px]" />
                )}
                <div className={`flex items-center gap-2.5 ${card.on ? "" : "text-soft"}`}>
                  {handle}
                  <Link to={id} aria-label={`Compose ${card.name}`} className="group min-w-0 flex-1 text-ink no-underline">
                    <b className="font-semibold group-hover:text-press group-hover:underline">{card.name}</b>
                    <span className="ml-2 text-[12.5px] text-soft">
                      {card.condition === null
                        ? "all that no other card is for"
                        : `for ${sayCondition(card.condition, fields, settings.selections)}`}
                    </span>
                  </Link>
                  {card.condition !== null && (
                    <>
                      <Toggle checked={card.on} label={`${card.name}: on`} onChange={(on) => changeEntry("cards", id, { on })} />
                      <IconButton label={`Remove ${card.name}`} onClick={() => removeEntry("cards", id)} className="!size-6">
                        <Trash2 className="size-3.5" />
                      </IconButton>
                    </>
                  )}
                </div>
                <p className="ml-[22px] text-[12.5px]/[17px] text-soft">
                  {facts && lookUp(facts.cards, id) && card.on ? `${plural(lookUp(facts.cards, id).products, "product")}: ` : ""}
                  {sayParts(card)}
                </p>
              </>
            )}
          </SortableRow>
        ))}
      </SortableList>
      <PriceForm />
    </Screen>
  );
}

const sayParts = (card: Card) =>
  inRankOrder(card.parts)
    .map(([, part]) => PART_NAMES[part.kind].toLowerCase())
    .join(", ");
