import type { Redirect } from "@core/settings/parts";
import type { Shelf } from "@core/settings/schema";
import type { ShelfRule, When } from "@core/settings/shelf";
import { plural } from "@ui/format";
import { saySpan } from "../../pieces/say-span";
import { sayPercent } from "../../ranking/boosts/strength";

/** The parts of a shelf, each in a sentence. */

const MATCHES = { is: "", contains: "with ", starts: "starting " } as const;

/** For which searches and categories a shelf is: “rose”, with “climbing”, in Plants › Roses */
export function sayFor({ searches, categories }: Pick<Shelf, "searches" | "categories">): string {
  const texts = searches.map(({ match, text }) => `${MATCHES[match]}“${text}”`);
  const places = categories.map((path) => path.join(" › "));
  if (texts.length === 0) return places.length === 0 ? "no search yet" : shorten(places);
  return shorten(texts) + (places.length > 0 ? ` in ${shorten(places)}` : "");
}

const shorten = (parts: readonly string[]) =>
  parts.length <= 3 ? parts.join(", ") : `${parts.slice(0, 3).join(", ")} and ${parts.length - 3} more`;

export function sayContents(shelf: Shelf): string {
  const strengths = Object.values(shelf.strength);
  const counted = [
    [Object.keys(shelf.pins).length + Object.values(shelf.pinGroups).flatMap(({ products }) => products).length, "pinned"],
    [strengths.filter((factor) => factor > 1).length, "raised"],
    [strengths.filter((factor) => factor < 1).length, "lowered"],
    [shelf.exclude.length, "excluded"],
    [shelf.add.length, "added"],
  ] as const;
  const parts = counted.filter(([number]) => number > 0).map(([number, what]) => `${number} ${what}`);
  if (shelf.addSelections.length > 0) parts.push(plural(shelf.addSelections.length, "selection"));
  if (Object.keys(shelf.rules).length > 0) parts.push(plural(Object.keys(shelf.rules).length, "rule"));
  if (shelf.end !== null && shelf.end > 0) parts.push(`ends at ${shelf.end}`);
  if (shelf.banner) parts.push("banner");
  if (shelf.redirect) parts.push("redirect");
  return parts.join(", ") || "nothing arranged yet";
}

export function sayRule(rule: ShelfRule): string {
  switch (rule.does) {
    case "strength":
      return sayPercent(rule.factor);
    case "first":
      return rule.most === null ? "first" : rule.most === 1 ? "the best one first" : `the best ${rule.most} first`;
    case "last":
      return "last";
    case "exclude":
      return "excluded";
  }
}

export const sayRedirect = ({ to, value, keepSearch, filters }: Redirect): string =>
  ({ page: "guide ", category: "", search: "the search “", address: "" })[to] +
  value +
  (to === "search" ? "”" : "") +
  (Object.keys(filters).length > 0 ? ` with ${plural(Object.keys(filters).length, "filter")}` : "") +
  (keepSearch && to === "category" ? ", the search kept in it" : "");

const DAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];
export const shortDay = (weekday: number) => DAYS[weekday - 1].slice(0, 2);

/** "from 1 Dec, Fridays, 18:00 to 20:00, on phone"; "always" without any condition. */
export function sayWhen({ from, until, when }: { from: string | null; until: string | null; when: When }): string {
  const parts = [
    saySpan({ from, until }, when.timeZone),
    [...when.weekdays]
      .sort()
      .map((weekday) => `${DAYS[weekday - 1]}s`)
      .join(", "),
    when.hours && `${when.hours.from} to ${when.hours.until}`,
    when.devices.length > 0 && `on ${when.devices.join(" and ")}`,
    when.languages.length > 0 && `in ${when.languages.join(", ")}`,
    Object.keys(when.filters).length > 0 && `while ${plural(Object.keys(when.filters).length, "filter is", "filters are")} chosen`,
  ];
  return parts.filter(Boolean).join(", ") || "always";
}
