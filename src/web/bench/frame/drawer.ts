import { flushSync } from "react-dom";
import { create } from "zustand";

/** Whether the shopper window is open, where it is a drawer. */
export const useDrawer = create<{ isOpen: boolean; set: (isOpen: boolean) => void }>()((set) => ({
  isOpen: false,
  set: (isOpen) => set({ isOpen }),
}));

/** Opens the window before somebody is led into it. */
export function openDrawer(): void {
  if (!useDrawer.getState().isOpen) flushSync(() => useDrawer.getState().set(true));
}
