import { create } from "zustand";

const SEEN_KEY = "clever-shelf.tour";

interface TourState {
  /** The step that is shown, from 0; null while there is none. */
  step: number | null;
  begin: () => void;
  go: (step: number) => void;
  /** Leaves the tour; it does not begin by itself again. */
  leave: () => void;
}

export const useTour = create<TourState>()((set) => ({
  step: null,
  begin: () => set({ step: 0 }),
  go: (step) => set({ step }),
  leave() {
    localStorage.setItem(SEEN_KEY, "seen");
    set({ step: null });
  },
}));

/** Whether somebody is here for the first time, as far as their browser knows. */
export const isFirstVisit = (): boolean => localStorage.getItem(SEEN_KEY) === null;
