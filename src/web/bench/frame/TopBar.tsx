import { Button } from "@ui/Button";
import { plural } from "@ui/format";
import { useEffect } from "react";
import { Link, useNavigate } from "react-router";
import { useBenchParts, useOpen } from "../state/bench";

/** The mark: three things on a shelf, one of them still a draft. */
export function Mark() {
  return (
    <svg viewBox="0 0 18 17" className="h-[17px] w-[18px]" aria-hidden>
      <path d="M2 4h4v10H2zM12 3h4v11h-4z" fill="var(--ink)" />
      <path d="M7 7h4v7H7z" fill="var(--draft-mark)" />
      <path d="M0 14h18v3H0z" fill="var(--press)" />
    </svg>
  );
}

const NEW = "\u0000new";

export function TopBar() {
  const { store, changes, release, canUndo, canRedo } = useOpen("store", "changes", "release", "canUndo", "canRedo");
  const { undo, redo, stores } = useBenchParts("undo", "redo", "stores");
  const navigate = useNavigate();
  useUndoKeys(undo, redo);
  return (
    <header className="flex h-11 shrink-0 items-center gap-4 border-b border-rule bg-raised px-4">
      <Link
        to={`/bench/${store.id}`}
        className="flex w-[132px] shrink-0 items-center gap-2 font-head text-[17px] font-bold text-ink no-underline"
      >
        <Mark />
        Clever Shelf
      </Link>
      <select
        aria-label="Store"
        value={store.id}
        onChange={(event) => navigate(event.target.value === NEW ? "/bench/new" : `/bench/${event.target.value}`)}
        className="h-7 min-w-0 truncate rounded border border-transparent bg-transparent text-soft hover:border-rule"
      >
        {(stores ?? [store]).map((entry) => (
          <option key={entry.id} value={entry.id}>
            {entry.name} · {plural(entry.products, "product")}
          </option>
        ))}
        <option value={NEW}>New store …</option>
      </select>
      <div className="ml-auto flex items-center gap-3">
        <Button look="bare" disabled={!canUndo} onClick={() => void undo()} title="Undo (Ctrl Z)">
          Undo
        </Button>
        <Button look="bare" disabled={!canRedo} onClick={() => void redo()} title="Redo (Ctrl Shift Z)">
          Redo
        </Button>
        <DraftState changes={changes.length} release={release} />
        <Button look={changes.length > 0 ? "main" : "plain"} onClick={() => navigate(`/bench/${store.id}/releases`)}>
          Review and release
        </Button>
      </div>
    </header>
  );
}

function DraftState({ changes, release }: { changes: number; release: number | null }) {
  if (changes === 0)
    return <span className="whitespace-nowrap text-live">{release === null ? "Nothing released yet" : "No unreleased changes"}</span>;
  return (
    <span role="status" className="flex items-center gap-2 whitespace-nowrap font-semibold text-draft">
      <Diamond />
      {plural(changes, "unreleased change")}
    </span>
  );
}

/** Stands before all that is draft and not yet live. */
export function Diamond({ className = "" }: { className?: string }) {
  return <i aria-hidden className={`inline-block size-[7px] shrink-0 rotate-45 bg-draft-mark ${className}`} />;
}

function useUndoKeys(undo: () => Promise<void>, redo: () => Promise<void>): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const isTyping = event.target instanceof HTMLElement && event.target.matches("input, textarea, [contenteditable]");
      if (isTyping || !(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== "z") return;
      event.preventDefault();
      void (event.shiftKey ? redo() : undo());
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [undo, redo]);
}
