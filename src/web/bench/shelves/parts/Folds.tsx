import type { ReactNode } from "react";

export interface Fold<T extends string> {
  id: T;
  name: string;
  /** What it comes to, in a few words. */
  says: string;
  /** Whether it is as it is from the start. */
  isPlain: boolean;
  content: ReactNode;
}

interface Props<T extends string> {
  folds: readonly Fold<T>[];
  open: T | null;
  onOpen: (open: T | null) => void;
}

/** The parts of a shelf side by side, a few words each; the one that is opened is below them whole. */
export function Folds<T extends string>({ folds, open, onOpen }: Props<T>) {
  const opened = folds.find(({ id }) => id === open);
  return (
    <div className="text-[13px]">
      <div className="grid grid-cols-3 border-t border-l border-rule">
        {folds.map(({ id, name, says, isPlain }) => (
          <button
            key={id}
            type="button"
            aria-expanded={open === id}
            aria-controls="fold"
            onClick={() => onOpen(open === id ? null : id)}
            className={`min-w-0 border-r border-b border-rule px-2 py-1 text-left hover:bg-press-soft ${open === id ? "bg-press-soft shadow-[inset_0_-2px_0_var(--press)]" : ""}`}
          >
            <span className="block text-[12px]/4 text-soft">{name}</span>
            <span className={`block truncate ${isPlain ? "text-soft" : "font-semibold"}`} title={says}>
              {says}
            </span>
          </button>
        ))}
      </div>
      {opened && (
        <section id="fold" aria-label={opened.name} className="border-b border-rule bg-raised px-2 pb-1">
          {opened.content}
        </section>
      )}
    </div>
  );
}
