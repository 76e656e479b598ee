import type { Hit } from "@core/search/request";
import { type KeyboardEvent, type RefObject, useLayoutEffect, useRef } from "react";
import { openDrawer } from "../frame/drawer";
import { isPressed, type ShortcutId, useShortcut } from "../keys/shortcuts";
import { useWindow } from "../state/window";
import { shelfActions } from "./shelf-actions";

const isPinned = (hit: Hit) => hit.arranged.some(({ kind }) => kind === "pin");

/** What the keys do to the product that has the focus. */
const ACTIONS: Partial<Record<ShortcutId, (hit: Hit) => void>> = {
  pin: (hit) => void (isPinned(hit) ? shelfActions.unpin(hit.id) : shelfActions.pin(hit.id, hit.position)),
  top: (hit) => void shelfActions.pin(hit.id, 1),
  raise: ({ id }) => void shelfActions.raise(id),
  lower: ({ id }) => void shelfActions.lower(id),
  exclude: ({ id, title }) => shelfActions.exclude(id, title),
  why: ({ id }) => useWindow.getState().set({ asked: id }),
};

/**
 * The results by keyboard: one key leads to them, arrows go from product to product, letters do what its buttons do. The focus stays on
 * a product that is taken elsewhere.
 * @param isLifted whether a product is being moved, for which the arrows are then.
 */
export function useResultKeys(list: RefObject<HTMLUListElement | null>, hits: readonly Hit[], isLifted: RefObject<boolean>) {
  const focused = useRef<string | null>(null);
  useShortcut("results", () => {
    openDrawer();
    if (focused.current === null || !focusOn(list.current, focused.current)) focusOn(list.current, hits[0]?.id ?? null);
  });
  const order = hits.map(({ id }) => id).join();
  useLayoutEffect(() => {
    // A place that the browser moved has lost the focus on the way.
    if (order !== "" && focused.current !== null && document.activeElement === document.body) focusOn(list.current, focused.current);
  }, [order, list]);
  return {
    onFocus(event: React.FocusEvent<HTMLElement>) {
      focused.current = event.target.closest<HTMLElement>("[data-product]")?.dataset.product ?? null;
    },
    onBlur(event: React.FocusEvent<HTMLElement>) {
      if (event.relatedTarget) focused.current = null;
    },
    onKeyDown(event: KeyboardEvent<HTMLElement>) {
      const { handle: id } = (event.target as HTMLElement).dataset;
      const hit = hits.find((entry) => entry.id === id);
      if (!hit || isLifted.current) return;
      const act = (Object.keys(ACTIONS) as ShortcutId[]).find((shortcut) => isPressed(shortcut, event));
      const to = act ? null : stepFrom(event.key, event.target as HTMLElement, list.current);
      if (!act && !to) return;
      event.preventDefault();
      if (act) ACTIONS[act]?.(hit);
      else focusOn(list.current, to);
    },
  };
}

const handlesIn = (list: HTMLElement | null) => [...(list?.querySelectorAll<HTMLElement>("[data-handle]") ?? [])];

/** @returns whether the product is there. */
function focusOn(list: HTMLElement | null, id: string | null): boolean {
  const handle = handlesIn(list).find(({ dataset }) => dataset.handle === id);
  handle?.focus();
  handle?.scrollIntoView({ block: "nearest" });
  return handle !== undefined;
}

/** The product that an arrow leads to: the next one or the one before, or the nearest one in the line above or below. */
function stepFrom(key: string, from: HTMLElement, list: HTMLElement | null): string | null {
  const handles = handlesIn(list);
  const place = handles.indexOf(from);
  const idAt = (at: number) => handles[at]?.dataset.handle ?? null;
  if (key === "ArrowRight") return idAt(place + 1);
  if (key === "ArrowLeft") return idAt(place - 1);
  if (key === "Home") return idAt(0);
  if (key === "End") return idAt(handles.length - 1);
  if (key !== "ArrowDown" && key !== "ArrowUp") return null;
  const { left, top } = from.getBoundingClientRect();
  const boxes = handles.map((handle) => ({ id: handle.dataset.handle ?? null, box: handle.getBoundingClientRect() }));
  const beyond = boxes.filter(({ box }) => (key === "ArrowDown" ? box.top > top + 1 : box.top < top - 1));
  const line = key === "ArrowDown" ? Math.min(...beyond.map(({ box }) => box.top)) : Math.max(...beyond.map(({ box }) => box.top));
  const [nearest] = beyond
    .filter(({ box }) => Math.abs(box.top - line) < 2)
    .toSorted((a, b) => Math.abs(a.box.left - left) - Math.abs(b.box.left - left));
  return nearest?.id ?? null;
}
