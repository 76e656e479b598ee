import { IconButton } from "@ui/Button";
import { ChevronDown, Trash2 } from "lucide-react";
import type { ReactNode } from "react";
import { Diamond } from "../frame/TopBar";
import { SortableRow } from "./SortableList";

interface Props {
  id: string;
  name: string;
  /** What it says or shows, in a line. */
  note: string;
  isDraft: boolean;
  isOpen: boolean;
  onOpen: () => void;
  onRemove: () => void;
  /** A figure before the arrow. */
  figure?: ReactNode;
  /** All that can be said of it, once opened. */
  children: ReactNode;
}

/** A row of a sortable list that opens to what can be said of it. */
export function FoldingRow({ id, name, note, isDraft, isOpen, onOpen, onRemove, figure, children }: Props) {
  return (
    <SortableRow id={id} label={name} className="py-1.5 text-[13px]">
      {(handle) => (
        <>
          {isDraft && <Diamond className="absolute top-3.5 -left-[13px]" />}
          <div className="flex items-center gap-2">
            {handle}
            <button type="button" aria-expanded={isOpen} onClick={onOpen} className="flex min-w-0 flex-1 items-center gap-2 text-left">
              <span className="min-w-0 flex-1">
                <b className="font-semibold">{name}</b>
                <span className="block truncate text-[12.5px]/[16px] text-soft">{note}</span>
              </span>
              {figure}
              <ChevronDown className={`size-4 shrink-0 text-soft ${isOpen ? "rotate-180" : ""}`} aria-hidden />
            </button>
            <IconButton label={`Remove ${name}`} onClick={onRemove} className="!size-6">
              <Trash2 className="size-3.5" />
            </IconButton>
          </div>
          {isOpen && <div className="mt-2 ml-6">{children}</div>}
        </>
      )}
    </SortableRow>
  );
}
