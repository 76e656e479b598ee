import { IconButton } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { ChevronDown, Trash2 } from "lucide-react";
import type { ReactNode } from "react";
import { Diamond } from "./Diamond";
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
  /** What the row opens is called; the name, where nothing is said. */
  label?: string;
  /** Shown before the name, such as what it looks like. */
  picture?: ReactNode;
  /** A figure before the arrow. */
  figure?: ReactNode;
  /** Whether it is on, where it can be off. */
  on?: boolean;
  onSwitch?: (on: boolean) => void;
  /** What came of it, below the row. */
  facts?: ReactNode;
  /** All that can be said of it, once opened. */
  children: ReactNode;
}

/** A row of a sortable list that opens to what can be said of it. */
export function FoldingRow({
  id,
  name,
  note,
  isDraft,
  isOpen,
  onOpen,
  onRemove,
  label,
  picture,
  figure,
  on,
  onSwitch,
  facts,
  children,
}: Props) {
  return (
    <SortableRow id={id} label={name} className="py-1.5 text-[13px]">
      {(handle) => (
        <>
          {isDraft && <Diamond className="absolute top-3.5 -left-[13px]" />}
          <div className={`flex items-center gap-2 ${on === false ? "text-soft" : ""}`}>
            {handle}
            {picture}
            <button
              type="button"
              aria-expanded={isOpen}
              aria-label={label}
              onClick={onOpen}
              className="flex min-w-0 flex-1 items-center gap-2 text-left"
            >
              <span className="min-w-0 flex-1">
                {!picture && <b className="font-semibold">{name}</b>}
                <span className="block truncate text-[12.5px]/[16px] text-soft">{note}</span>
              </span>
              {figure}
              <ChevronDown className={`size-4 shrink-0 text-soft ${isOpen ? "rotate-180" : ""}`} aria-hidden />
            </button>
            {onSwitch && <Toggle checked={on === true} label={`${name}: on`} onChange={onSwitch} />}
            <IconButton label={`Remove ${name}`} onClick={onRemove} className="!size-6">
              <Trash2 className="size-3.5" />
            </IconButton>
          </div>
          {facts && <p className="ml-6 text-[12.5px] text-soft">{facts}</p>}
          {isOpen && <div className="mt-2 ml-6">{children}</div>}
        </>
      )}
    </SortableRow>
  );
}
