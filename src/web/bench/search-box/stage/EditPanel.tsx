import { type CollisionDetection, closestCenter, DndContext, type DragEndEvent, pointerWithin, useDroppable } from "@dnd-kit/core";
import { SortableContext, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { type ReactNode, useRef, useState } from "react";
import { AllOption } from "../../../shop/box/BlockView";
import type { PanelProps } from "../../../shop/box/Panel";
import { useDragSensors } from "../../pieces/useDragSensors";
import { useBenchParts, useOpen } from "../../state/bench";
import { MOMENTS } from "../blocks";
import { columnsIn, inTwelfths, MOST_COLUMNS, moveEdge, placeBlock, setShares } from "../edits";
import { AnchorHandle } from "./AnchorHandle";
import { ColumnEdge } from "./ColumnEdge";
import { EditBlock } from "./EditBlock";

const COLUMN = "column:";

/** Under the pointer first; by keyboard, and between two, the closest. */
const collide: CollisionDetection = (args) => {
  const under = pointerWithin(args);
  const blocks = under.filter(({ id }) => !String(id).startsWith(COLUMN));
  if (blocks.length > 0) return blocks;
  return under.length > 0 ? under : closestCenter(args);
};

/** The panel as shoppers see it, with handles: blocks are dragged, set beside one another, widened, named, counted, switched. */
export function EditPanel({ answer, blocks, isNarrow, typed, ...choosing }: PanelProps & { typed: string }) {
  const { settings } = useOpen("settings");
  const { edit } = useBenchParts("edit");
  const sensors = useDragSensors();
  const [held, setHeld] = useState<number[] | null>(null);
  const grid = useRef<HTMLDivElement>(null);
  const { box } = settings;
  const name = answer.moment;
  const moment = box.moments[name];
  const columns = columnsIn(moment);
  const shares = held ?? inTwelfths(moment.shares);
  const shown = new Map(blocks.map((block) => [block.id, block]));
  const all = choosing.entries.findIndex(({ does }) => does === "all");

  const drop = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const id = String(active.id);
    const target = String(over.id);
    if (target.startsWith(COLUMN)) {
      const column = Number(target.slice(COLUMN.length));
      return void edit(placeBlock(box, name, id, column, columns[column]?.length ?? 0));
    }
    const column = columns.findIndex((entries) => entries.some(([other]) => other === target));
    const place = columns[column].findIndex(([other]) => other === target);
    void edit(placeBlock(box, name, id, column, place));
  };
  const moveTo = (id: string, column: number) => void edit(placeBlock(box, name, id, column, columns[column]?.length ?? 0));
  const template = isNarrow ? "minmax(0,1fr)" : shares.map((share) => `minmax(0,${share}fr)`).join(" ");
  return (
    <div className={`relative ${isNarrow ? "" : "pr-3.5"}`}>
      <p className="mb-1 flex items-baseline gap-2 px-1 text-[12px] text-soft">
        <b className="font-semibold text-ink">{MOMENTS[name].name}</b> {MOMENTS[name].when}
      </p>
      <DndContext sensors={sensors} collisionDetection={collide} onDragEnd={drop}>
        <div ref={grid} className="relative grid gap-3" style={{ gridTemplateColumns: template }}>
          {columns.map((entries, column) => (
            <Column key={column} number={column}>
              <SortableContext items={entries.map(([id]) => id)} strategy={verticalListSortingStrategy}>
                {entries.map(([id, block]) => (
                  <EditBlock
                    key={id}
                    id={id}
                    block={block}
                    shown={shown.get(id)}
                    moment={name}
                    column={column}
                    columns={columns.length}
                    isNarrow={isNarrow}
                    onColumn={(to) => moveTo(id, to)}
                    {...choosing}
                  />
                ))}
              </SortableContext>
              {!isNarrow && column < columns.length - 1 && (
                <ColumnEdge
                  value={shares[column]}
                  name={`Width of column ${column + 1}`}
                  whole={grid}
                  onMove={(by) => setHeld(moveEdge(inTwelfths(moment.shares), column, by))}
                  onCommit={(by) => {
                    setHeld(null);
                    if (by !== 0) void edit(setShares(name, moveEdge(inTwelfths(moment.shares), column, by)));
                  }}
                />
              )}
            </Column>
          ))}
        </div>
        {!isNarrow && columns.length < MOST_COLUMNS && <NewColumn number={columns.length} />}
      </DndContext>
      {all >= 0 && (
        <div role="listbox" tabIndex={-1} aria-label="All results" className="mt-1.5 border-t border-rule pt-1.5">
          <AllOption place={all} {...choosing} />
        </div>
      )}
      {!isNarrow && <AnchorHandle />}
    </div>
  );
}

function Column({ number, children }: { number: number; children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id: `${COLUMN}${number}` });
  return (
    <div ref={setNodeRef} className={`relative flex min-h-16 min-w-0 flex-col gap-1.5 ${isOver ? "bg-press-soft" : ""}`}>
      {children}
    </div>
  );
}

/** Where a block is put to be beside all others; only there while one is dragged. */
function NewColumn({ number }: { number: number }) {
  const { setNodeRef, isOver, active } = useDroppable({ id: `${COLUMN}${number}` });
  return (
    <div
      ref={setNodeRef}
      className={`absolute inset-y-6 right-0 z-20 grid w-9 place-items-center rounded border border-dashed border-press bg-paper text-[12px] text-press ${active ? "" : "invisible"} ${isOver ? "!bg-press-soft" : ""}`}
    >
      <span className="[writing-mode:vertical-rl]">beside</span>
    </div>
  );
}
