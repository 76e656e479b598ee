import type { Reading } from "./values";

/** States of stock as the shop says them, whatever words or standard addresses the feed has for them. */
const STATES: [string, RegExp][] = [
  ["Sold out", /out ?of ?stock|sold ?out|unavailable|not available|ausverkauft|nicht (verfügbar|lieferbar|auf lager)|discontinued/i],
  ["To order", /back[- ]?order|pre[- ]?order|to order|made ?to ?order|bestellbar|auf bestellung|vorbestell/i],
  ["In stock", /in ?stock|^available|lagernd|auf lager|verfügbar|lieferbar|limited ?availability|online ?only|instore/i],
];
const COMING = /(?:from|on|ab|coming|again|wieder)\D*(\d{4}-\d{2}-\d{2})/i;

/** Reads a stock state ("in stock", "https://schema.org/InStock", "yes") as one of the shop's own words. */
export function readStockState(raw: unknown): Reading {
  if (raw === null || raw === undefined || raw === "") return { value: null };
  if (typeof raw === "boolean") return { value: raw ? "In stock" : "Sold out" };
  const text = String(raw).trim();
  const coming = COMING.exec(text);
  if (coming) return { value: `Coming on ${coming[1]}` };
  if (/^(yes|true|1|y|ja)$/i.test(text)) return { value: "In stock" };
  if (/^(no|false|0|n|nein)$/i.test(text)) return { value: "Sold out" };
  return { value: STATES.find(([, pattern]) => pattern.test(text))?.[0] ?? text };
}

/** Whether a state means that a product cannot be bought now. */
export function isSoldOutState(state: string): boolean {
  return state === "Sold out";
}
