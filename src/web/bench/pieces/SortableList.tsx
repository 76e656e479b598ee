import { closestCenter, DndContext, type DragEndEvent } from "@dnd-kit/core";
import { SortableContext, useSortable, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { GripVertical } from "lucide-react";
import { type ReactNode, useMemo } from "react";
import { useDragSensors } from "./useDragSensors";

interface Props {
  ids: readonly string[];
  onMove: (id: string, place: number) => void;
  children: ReactNode;
}

/** A list whose rows are put in order by dragging, or by space and arrow keys. */
export function SortableList({ ids, onMove, children }: Props) {
  const sensors = useDragSensors();
  const order = ids.join("\n");
  // The same list as long as the order is, so that no row is drawn anew in vain.
  const items = useMemo(() => (order === "" ? [] : order.split("\n")), [order]);
  const drop = ({ active, over }: DragEndEvent) => {
    const place = ids.indexOf(String(over?.id));
    if (place >= 0 && active.id !== over?.id) onMove(String(active.id), place);
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext items={items} strategy={verticalListSortingStrategy}>
        <ul className="border-t border-rule">{children}</ul>
      </SortableContext>
    </DndContext>
  );
}

interface RowProps {
  id: string;
  label: string;
  className?: string;
  children: (handle: ReactNode) => ReactNode;
}

/** A row of a sortable list; the handle stands where the row puts it. */
export function SortableRow({ id, label, className = "", children }: RowProps) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({ id });
  // The same for the same row, so that rows can keep what they have drawn.
  const handle = useMemo(
    () => (
      <button
        ref={setActivatorNodeRef}
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`Move ${label}`}
        title="Drag, or space and arrow keys"
        className="-ml-1 cursor-grab text-soft"
      >
        <GripVertical className="size-4" />
      </button>
    ),
    [setActivatorNodeRef, attributes, listeners, label],
  );
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`relative border-b border-rule bg-paper ${isDragging ? "z-10 shadow-md" : ""} ${className}`}
    >
      {children(handle)}
    </li>
  );
}
