import type { CardPart } from "@core/settings/page/card";
import { percent } from "@ui/format";
import { FoldingRow } from "../../pieces/FoldingRow";
import { useOpen } from "../../state/bench";
import { changePart, removePart } from "../edits";
import { PartForm } from "./PartForm";
import { PART_NAMES, sayPart } from "./parts";

interface Props {
  card: string;
  id: string;
  part: CardPart;
  was: CardPart | undefined;
  language: string;
  /** Products of the card of which it has something to say. */
  said: number | undefined;
  products: number;
  isOpen: boolean;
  onOpen: () => void;
}

/** A part of a card: what it is, what it shows, for how many products; opened, all that can be said of it. */
export function PartRow({ card, id, part, was, language, said, products, isOpen, onOpen }: Props) {
  const { fields } = useOpen("fields");
  return (
    <FoldingRow
      id={id}
      name={PART_NAMES[part.kind]}
      note={sayPart(part, fields, language)}
      isDraft={JSON.stringify(part) !== JSON.stringify(was)}
      isOpen={isOpen}
      onOpen={onOpen}
      onRemove={() => removePart(card, id)}
      figure={
        said !== undefined && (
          <span
            className={`w-10 shrink-0 text-right text-[12.5px] tabular-nums ${said === 0 ? "text-loss" : "text-soft"}`}
            title={`${said} of ${products} products`}
          >
            {products > 0 ? percent(said / products) : ""}
          </span>
        )
      }
    >
      <PartForm part={part} language={language} onChange={(next) => changePart(card, id, next)} />
    </FoldingRow>
  );
}
