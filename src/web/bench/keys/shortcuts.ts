import { useEffect, useRef } from "react";

interface Shortcut {
  /** The key that is pressed, as the layout of the keyboard has it; with "mod" for Control, or Command where there is one. */
  key: string;
  mod?: boolean;
  shift?: boolean;
  /** What it does, as the list of shortcuts says. */
  does: string;
  where: "Everywhere" | "Shopper window" | "A product in the results";
  /** Whether it is taken while somebody types, too. */
  whileTyping?: boolean;
}

/** All shortcuts of the bench, in the order in which they are listed. */
export const SHORTCUTS = {
  palette: { key: "k", mod: true, does: "Find an area, setting, product or search", where: "Everywhere", whileTyping: true },
  undo: { key: "z", mod: true, does: "Undo your last change", where: "Everywhere" },
  redo: { key: "z", mod: true, shift: true, does: "Redo it", where: "Everywhere" },
  step: { key: ".", does: "Go to the next thing that the screen proposes", where: "Everywhere" },
  help: { key: "?", does: "This list", where: "Everywhere" },
  search: { key: "/", does: "Try a search", where: "Shopper window" },
  results: { key: "r", does: "Go to the results", where: "Shopper window" },
  find: { key: "f", does: "Where is a product?", where: "Shopper window" },
  before: { key: "[", does: "The search before, of those that shoppers make", where: "Shopper window" },
  next: { key: "]", does: "The next one", where: "Shopper window" },
  good: { key: "g", does: "These results are good", where: "Shopper window" },
  bad: { key: "b", does: "These results are bad", where: "Shopper window" },
  pin: { key: "p", does: "Pin it where it is, or unpin it", where: "A product in the results" },
  top: { key: "t", does: "Pin it to the top", where: "A product in the results" },
  raise: { key: "+", does: "Raise it", where: "A product in the results" },
  lower: { key: "-", does: "Lower it", where: "A product in the results" },
  exclude: { key: "x", does: "Do not show it here", where: "A product in the results" },
  why: { key: "w", does: "Why is it here?", where: "A product in the results" },
} satisfies Record<string, Shortcut>;
export type ShortcutId = keyof typeof SHORTCUTS;

const isApple = () => /mac|iphone|ipad/i.test(navigator.userAgent);

/** How a shortcut is written, such as "Ctrl Shift Z". */
export function sayKeys(id: ShortcutId): string {
  const { key, mod, shift }: Shortcut = SHORTCUTS[id];
  return [mod && (isApple() ? "⌘" : "Ctrl"), shift && "Shift", key.length === 1 ? key.toUpperCase() : key].filter(Boolean).join(" ");
}

/** Whether keys pressed there are what somebody types, or are meant for a dialog or a menu. */
const isTaken = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  target.closest("input, textarea, select, [contenteditable], [role=dialog], [role=menu], [role=listbox]") !== null;

/** Whether an event is a shortcut. Letters are told by what they write, so that every layout of a keyboard has them. */
export function isPressed(id: ShortcutId, event: Pick<KeyboardEvent, "key" | "ctrlKey" | "metaKey" | "shiftKey" | "altKey">): boolean {
  const { key, mod = false, shift = false }: Shortcut = SHORTCUTS[id];
  if (event.key.toLowerCase() !== key) return false;
  if (mod !== (event.ctrlKey || event.metaKey)) return event.ctrlKey && event.altKey && !mod;
  return /[a-z]/.test(key) ? event.shiftKey === shift && !event.altKey : true;
}

/** Does something when a shortcut is pressed anywhere in the page. */
export function useShortcut(id: ShortcutId, act: () => void): void {
  const latest = useRef(act);
  useEffect(() => {
    latest.current = act;
  });
  useEffect(() => {
    const { whileTyping = false }: Shortcut = SHORTCUTS[id];
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || !isPressed(id, event) || (!whileTyping && isTaken(event.target))) return;
      event.preventDefault();
      latest.current();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [id]);
}
