import type { CardPart } from "@core/settings/page/card";
import { IconButton } from "@ui/Button";
import { percent } from "@ui/format";
import { ChevronDown, Trash2 } from "lucide-react";
import { Diamond } from "../../frame/TopBar";
import { SortableRow } from "../../pieces/SortableList";
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
  const name = PART_NAMES[part.kind];
  return (
    <SortableRow id={id} label={name} className="py-1.5 text-[13px]">
      {(handle) => (
        <>
          {JSON.stringify(part) !== JSON.stringify(was) && <Diamond className="absolute top-3.5 -left-[13px]" />}
          <div className="flex items-center gap-2">
            {handle}
            <button type="button" aria-expanded={isOpen} onClick={onOpen} className="flex min-w-0 flex-1 items-center gap-2 text-left">
              <span className="min-w-0 flex-1">
                <b className="font-semibold">{name}</b>
                <span className="block truncate text-[12.5px]/[16px] text-soft">{sayPart(part, fields, language)}</span>
              </span>
              {said !== undefined && (
                <span
                  className={`w-10 shrink-0 text-right text-[12.5px] tabular-nums ${said === 0 ? "text-loss" : "text-soft"}`}
                  title={`${said} of ${products} products`}
                >
                  {products > 0 ? percent(said / products) : ""}
                </span>
              )}
              <ChevronDown className={`size-4 shrink-0 text-soft ${isOpen ? "rotate-180" : ""}`} aria-hidden />
            </button>
            <IconButton label={`Remove ${name}`} onClick={() => removePart(card, id)} className="!size-6">
              <Trash2 className="size-3.5" />
            </IconButton>
          </div>
          {isOpen && (
            <div className="mt-2 ml-6">
              <PartForm part={part} language={language} onChange={(next) => changePart(card, id, next)} />
            </div>
          )}
        </>
      )}
    </SortableRow>
  );
}
