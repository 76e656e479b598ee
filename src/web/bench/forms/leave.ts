import { useEffect, useId } from "react";
import { create } from "zustand";

interface Leaving {
  /** Forms that somebody has begun to fill in and not sent yet. */
  begun: ReadonlySet<string>;
  /** What would throw one of them away and waits for a yes. */
  next: (() => void) | null;
  mark: (form: string, isBegun: boolean) => void;
  /** Does what would throw away what was typed: at once where nothing was, else once it has been agreed to. */
  leave: (next: () => void) => void;
  /** The answer: leave and lose it, or stay. */
  answer: (isLeft: boolean) => void;
}

/** Half-filled forms of the bench: nothing that was typed is lost without a question. */
export const useLeaving = create<Leaving>()((set, get) => ({
  begun: new Set(),
  next: null,
  mark(form, isBegun) {
    if (get().begun.has(form) === isBegun) return;
    const begun = new Set(get().begun);
    if (isBegun) begun.add(form);
    else begun.delete(form);
    set({ begun });
  },
  leave(next) {
    if (get().begun.size === 0) next();
    else set({ next });
  },
  answer(isLeft) {
    const { next } = get();
    set(isLeft ? { begun: new Set(), next: null } : { next: null });
    if (isLeft) next?.();
  },
}));

/** Has a question asked before a form goes away while something is typed in it. @returns what ends that, once it is sent. */
export function useBegun(isBegun: boolean): () => void {
  const form = useId();
  const { mark } = useLeaving.getState();
  useEffect(() => {
    mark(form, isBegun);
    return () => mark(form, false);
  }, [form, isBegun, mark]);
  return () => mark(form, false);
}
