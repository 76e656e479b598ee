import { lookUp } from "@core/records";
import type { Block } from "@core/settings/page/block";
import { labelIn } from "@core/settings/ranked";
import { FoldingRow } from "../../pieces/FoldingRow";
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
    <FoldingRow
      id={id}
      name={title}
      label={`Set up ${title}`}
      note={sayBlock(block, settings.selections)}
      isDraft={JSON.stringify(block) !== JSON.stringify(lookUp(live.page.blocks, id))}
      isOpen={isOpen}
      onOpen={onOpen}
      onRemove={() => removeEntry("blocks", id)}
      on={block.on}
      onSwitch={(on) => void changeEntry("blocks", id, { on })}
      facts={
        block.on &&
        stands !== undefined &&
        searches > 0 &&
        (stands === 0 ? (
          <span className="text-loss">Shown for none of the {searches} most asked searches.</span>
        ) : (
          `Shown for ${stands} of the ${searches} most asked searches.`
        ))
      }
    >
      <BlockForm block={block} language={language} onSave={(part) => changeEntry("blocks", id, part)} />
    </FoldingRow>
  );
}
