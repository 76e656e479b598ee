import { parseDate } from "./dates";
import type { Reading } from "./values";

/** States of stock as the shop says them, whatever words or standard addresses the feed has for them. */
const STATES: [string, RegExp][] = [
  [
    "Sold out",
    /out ?of ?stock|sold ?out|unavailable|not (available|in stock)|no longer|discontinued|ausverkauft|vergriffen|(nicht|nicht mehr) (verfügbar|lieferbar|auf lager|vorrätig)|^0 (in stock|available|left|auf lager)|épuisé|indisponible|agotado|esaurito|uitverkocht/i,
  ],
  ["To order", /back ?order|pre ?order|pre ?sale|to order|bestellbar|auf bestellung|vorbestell|sur commande/i],
  [
    "In stock",
    /in ?stock|^available|lagernd|auf lager|vorrätig|verfügbar|lieferbar|limited ?availability|(low|limited) stock|only \d+ left|online ?only|en stock|disponible|disponibile|op voorraad/i,
  ],
];
/** A text that is longer says more than a day. */
const LONGEST = 200;
/** Words after which the day stands from which a product can be had. */
const COMING =
  /(?:^|[^\p{L}])(?:from|on|ab|am|coming|again|back|expected|due|wieder|erwartet)[^\p{L}\d]+(?:\D*?[^\p{L}\d])?((?:\d{1,4}[./-]|\d{1,2}(?:st|nd|rd|th)?\s+\p{L}|\p{L}{3,}\.?\s+\d{1,2}(?:st|nd|rd|th)?,?\s+\d{4}).*)$/iu;

/** Reads a stock state ("in stock", "https://schema.org/InStock", "out_of_stock", "yes") as one of the shop's own words. */
export function readStockState(raw: unknown): Reading {
  if (raw === null || raw === undefined || raw === "") return { value: null };
  if (typeof raw === "boolean") return { value: raw ? "In stock" : "Sold out" };
  const text = String(raw).trim();
  const date = text.length > LONGEST ? undefined : COMING.exec(text)?.[1];
  const day = date === undefined ? null : (parseDate(date, "dmy") ?? parseDate(date, "mdy"));
  if (day !== null) return { value: `Coming on ${day.slice(0, 10)}` };
  if (/^(yes|true|1|y|ja)$/i.test(text)) return { value: "In stock" };
  if (/^(no|false|0|n|nein)$/i.test(text)) return { value: "Sold out" };
  const words = text.replace(/[_-]+/g, " ");
  return { value: STATES.find(([, pattern]) => pattern.test(words))?.[0] ?? text };
}

/** Whether a state means that a product cannot be bought now. */
export function isSoldOutState(state: string): boolean {
  return state === "Sold out";
}
