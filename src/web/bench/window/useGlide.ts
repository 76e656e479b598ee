import { type RefObject, useLayoutEffect, useRef } from "react";

/**
 * Lets the children of a list glide to their new places when their order changes, so that the eye can follow.
 * Children are told apart by `data-product`. Nothing moves for those who asked for less motion.
 */
export function useGlide<T extends HTMLElement>(order: string): RefObject<T | null> {
  const list = useRef<T>(null);
  const places = useRef(new Map<string, DOMRect>());
  const shown = useRef<string | null>(null);
  useLayoutEffect(() => {
    if (shown.current === order) return;
    shown.current = order;
    const measured = () => new Map(childrenOf(list.current).map((child) => [child.dataset.product ?? "", child.getBoundingClientRect()]));
    if (places.current.size === 0) {
      // What is there for the first time glides from nowhere. It is measured once the page is laid out anyway.
      const frame = requestAnimationFrame(() => {
        places.current = measured();
      });
      return () => {
        cancelAnimationFrame(frame);
        shown.current = null;
      };
    }
    // All are measured before any moves: an animation in between would have the page laid out again for each.
    const next = measured();
    const still = window.matchMedia("(prefers-reduced-motion: reduce)").matches;
    for (const child of still ? [] : childrenOf(list.current)) {
      const before = places.current.get(child.dataset.product ?? "");
      const now = next.get(child.dataset.product ?? "");
      if (!before) child.animate([{ opacity: 0.2 }, { opacity: 1 }], { duration: 260 });
      else if (now && (before.left !== now.left || before.top !== now.top)) {
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

function childrenOf(list: HTMLElement | null): HTMLElement[] {
  return [...(list?.children ?? [])].filter((child) => child instanceof HTMLElement);
}
