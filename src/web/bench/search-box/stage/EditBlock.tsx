import { lookUp } from "@core/records";
import type { BoxBlock } from "@core/settings/box/block";
import { MOST_ENTRIES } from "@core/settings/box/block";
import type { BoxMomentName } from "@core/settings/box/usual";
import type { SuggestedBlock } from "@core/suggest/request";
import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { Toggle } from "@ui/controls";
import { GripVertical, Minus, Plus } from "lucide-react";
import type { ReactNode } from "react";
import { BlockView, type Choosing } from "../../../shop/box/BlockView";
import { isSpoken } from "../../../shop/box/entries";
import { LabelLine } from "../../pieces/LabelLine";
import { useFilterNames } from "../../pieces/useFilterNames";
import { useBenchParts, useOpen } from "../../state/bench";
import { BLOCK_NAMES, plainHeading } from "../blocks";
import { changeBlock } from "../edits";
import { BlockMenu } from "./BlockMenu";

interface Props extends Choosing {
  id: string;
  block: BoxBlock;
  /** What it shows now; nothing where it has nothing to show. */
  shown: SuggestedBlock | undefined;
  moment: BoxMomentName;
  column: number;
  columns: number;
  isNarrow: boolean;
  onColumn: (column: number) => void;
}

/** A block of the panel with its handle over it: to drag, name, count and switch it, in its place. */
export function EditBlock({ id, block, shown, moment, column, columns, isNarrow, onColumn, ...choosing }: Props) {
  const { store, live } = useOpen("store", "live");
  const { edit } = useBenchParts("edit");
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({ id });
  const language = store.locale.split("-")[0];
  const name = BLOCK_NAMES[block.kind];
  const nameOf = useFilterNames();
  const usual = plainHeading(block, moment, language, (filter) => nameOf(filter, language));
  const change = (part: Partial<BoxBlock>) => void edit(changeBlock(moment, id, part));
  const isDraft = JSON.stringify(block) !== JSON.stringify(lookUp(live.box.moments[moment].blocks, id));
  const count = (by: number) => change({ most: Math.max(1, Math.min(MOST_ENTRIES, block.most + by)) });
  const hasCount = block.kind !== "message";
  return (
    <div
      ref={setNodeRef}
      data-edit={id}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`rounded border border-dashed bg-paper ${isDragging ? "relative z-30 shadow-md" : ""} ${isDraft ? "border-draft-mark" : "border-rule"}`}
    >
      <div className="flex min-h-7 flex-wrap items-center gap-x-1 border-b border-dashed border-rule bg-raised px-1 text-[12.5px]">
        <button
          ref={setActivatorNodeRef}
          type="button"
          {...attributes}
          {...listeners}
          aria-label={`Move ${name}`}
          title={`${name}: drag, or space and arrow keys`}
          className="cursor-grab text-soft"
        >
          <GripVertical className="size-3.5" />
        </button>
        <LabelLine
          label={`Heading of ${name}`}
          value={block.heading}
          language={language}
          placeholder={usual}
          onChange={(heading) => change({ heading })}
          className="!h-6 min-w-[84px] flex-1 !border-transparent !bg-transparent !px-1 !text-[12.5px] font-semibold hover:!border-soft"
        />
        <span className="ml-auto flex h-6 items-center gap-1.5">
          {hasCount && (
            <span className="flex shrink-0 items-center text-soft">
              <button
                type="button"
                aria-label={`Fewer in ${name}`}
                disabled={block.most <= 1}
                onClick={() => count(-1)}
                className="hover:text-ink"
              >
                <Minus className="size-3" />
              </button>
              <span className="w-5 text-center tabular-nums" title={`At most ${block.most}`}>
                {block.most}
              </span>
              <button
                type="button"
                aria-label={`More in ${name}`}
                disabled={block.most >= MOST_ENTRIES}
                onClick={() => count(1)}
                className="hover:text-ink"
              >
                <Plus className="size-3" />
              </button>
            </span>
          )}
          <Toggle checked={block.on} label={`${name}: on`} onChange={(on) => change({ on })} />
          <BlockMenu
            id={id}
            block={block}
            moment={moment}
            language={language}
            column={column}
            columns={columns}
            onColumn={onColumn}
            isNarrow={isNarrow}
          />
        </span>
      </div>
      <div className={block.on ? "" : "opacity-40"}>
        {shown ? (
          <Listed name={isSpoken(shown) ? null : shown.heading || name}>
            <BlockView block={{ ...shown, heading: "" }} {...choosing} />
          </Listed>
        ) : (
          <p className="px-2 py-1.5 text-[12.5px] text-soft">
            {block.on ? `${name}: nothing to show here now` : `${name} is switched off`}
          </p>
        )}
      </div>
    </div>
  );
}

/** Entries that can be chosen are a list; what only speaks is none. */
function Listed({ name, children }: { name: string | null; children: ReactNode }) {
  return name === null ? (
    children
  ) : (
    <div role="listbox" tabIndex={-1} aria-label={name}>
      {children}
    </div>
  );
}
