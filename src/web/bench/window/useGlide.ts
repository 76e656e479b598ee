import { type RefObject, useLayoutEffect, useRef } from "react";

/**
 * Lets the children of a list glide to their new places when their order changes, so that the eye can follow.
 * Children are told apart by `data-product`. Nothing moves for those who asked for less motion.
 */
export function useGlide<T extends HTMLElement>(order: string): RefObject<T | null> {
  const list = useRef<T>(null);
  const places = useRef(new Map<string, DOMRect>());
  // biome-ignore lint/correctness/useExhaustiveDependencies: the order is what is waited for
  useLayoutEffect(() => {
    const still = window.matchMedia("(prefers-reduced-motion: reduce)").matches;
    const next = new Map<string, DOMRect>();
    for (const child of list.current?.children ?? []) {
      if (!(child instanceof HTMLElement)) continue;
      const id = child.dataset.product ?? "";
      const now = child.getBoundingClientRect();
      const before = places.current.get(id);
      next.set(id, now);
      if (still || places.current.size === 0) continue;
      if (!before) child.animate([{ opacity: 0.2 }, { opacity: 1 }], { duration: 260 });
      else if (before.left !== now.left || before.top !== now.top) {
        child.animate([{ transform: `translate(${before.left - now.left}px, ${before.top - now.top}px)` }, { transform: "none" }], {
          duration: 260,
          easing: "cubic-bezier(.2,.7,.3,1)",
        });
      }
    }
    places.current = next;
  }, [order]);
  return list;
}
