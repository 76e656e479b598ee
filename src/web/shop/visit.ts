import { askShop } from "./client";

interface Recorded {
  kind: "search" | "click" | "basket";
  searchId?: string;
  query?: string;
  product?: string;
  position?: number;
  place?: "results" | "category";
  /** The product on whose page it happened, among those beside it. */
  beside?: string;
}

/** A random number that ends with the visit; nothing about the person. */
const visit = crypto.randomUUID();

/** Tells the shop's log what happened. Never in the way: what cannot be sent is let go. @param base address of the shop's own calls. */
export function record(base: string, event: Recorded): void {
  const body = { visit, id: crypto.randomUUID(), device: deviceNow(), ...event, query: event.query?.slice(0, 512) };
  askShop(base)("POST /events", { body }).catch(() => undefined);
}

/** By the width of the page, in CSS pixels. */
function deviceNow(): "phone" | "tablet" | "desktop" {
  if (window.innerWidth < 640) return "phone";
  return window.innerWidth < 1024 ? "tablet" : "desktop";
}
