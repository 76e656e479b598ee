import type { Block } from "@core/settings/page/block";
import { labelIn } from "@core/settings/ranked";
import { IconButton } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { ChevronDown, Trash2 } from "lucide-react";
import { Diamond } from "../../frame/TopBar";
import { SortableRow } from "../../pieces/SortableList";
import { useOpen } from "../../state/bench";
import { changeEntry, removeEntry } from "../edits";
import { BlockForm } from "./BlockForm";
import { sayBlock } from "./say-block";

interface Props {
  id: string;
  block: Block;
  /** Of the most asked searches those beside which it stands. */
  stands: number | undefined;
  searches: number;
  language: string;
  isOpen: boolean;
  onOpen: () => void;
}

/** A block: what it shows, where, and how often; opened, all that can be said of it. */
export function BlockRow({ id, block, stands, searches, language, isOpen, onOpen }: Props) {
  const { live, settings } = useOpen("live", "settings");
  const title = labelIn(block.title, language, id);
  return (
    <SortableRow id={id} label={title} className="py-2 text-[13px]">
      {(handle) => (
        <>
          {JSON.stringify(block) !== JSON.stringify(live.page.blocks[id]) && <Diamond className="absolute top-3.5 -left-[13px]" />}
          <div className={`flex items-center gap-2.5 ${block.on ? "" : "text-soft"}`}>
            {handle}
            <button
              type="button"
              aria-expanded={isOpen}
              aria-label={`Set up ${title}`}
              onClick={onOpen}
              className="flex min-w-0 flex-1 items-center gap-2 text-left"
            >
              <span className="min-w-0 flex-1">
                <b className="font-semibold">{title}</b>
                <span className="block truncate text-[12.5px]/[17px] text-soft">{sayBlock(block, settings.selections)}</span>
              </span>
              <ChevronDown className={`size-4 shrink-0 text-soft ${isOpen ? "rotate-180" : ""}`} aria-hidden />
            </button>
            <Toggle checked={block.on} label={`${title}: on`} onChange={(on) => changeEntry("blocks", id, { on })} />
            <IconButton label={`Remove ${title}`} onClick={() => removeEntry("blocks", id)} className="!size-6">
              <Trash2 className="size-3.5" />
            </IconButton>
          </div>
          {block.on && stands !== undefined && searches > 0 && (
            <p className={`ml-[26px] text-[12.5px] ${stands === 0 ? "text-loss" : "text-soft"}`}>
              {stands === 0
                ? `Beside none of the ${searches} most asked searches.`
                : `Shown for ${stands} of the ${searches} most asked searches.`}
            </p>
          )}
          {isOpen && (
            <div className="mt-2 ml-[26px]">
              <BlockForm block={block} language={language} onChange={(part) => changeEntry("blocks", id, part)} />
            </div>
          )}
        </>
      )}
    </SortableRow>
  );
}
