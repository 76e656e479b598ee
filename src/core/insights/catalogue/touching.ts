import { hasBit } from "../../index/bits";
import type { Searcher } from "../../prepare/searcher";
import { productsOf } from "../../rank/acting";
import { lookUp } from "../../records";
import type { Condition } from "../../settings/condition";
import { labelIn } from "../../settings/ranked";
import type { Settings, Shelf } from "../../settings/schema";
import type { ShelfRule } from "../../settings/shelf";

/** A rule of the settings that names a product, by id or by condition. */
interface TouchingRule {
  part: "boosts" | "hides" | "shelves" | "selections" | "deadEnd";
  id: string;
  name: string;
  /** What it does to the product, in a few words. */
  does: string;
  on: boolean;
}

/** The rules that touch a product, by its number. @param at in milliseconds since 1970 UTC. */
export function rulesTouching(searcher: Searcher, product: number, id: string, at: number): TouchingRule[] {
  const { settings } = searcher;
  const rules: TouchingRule[] = [];
  for (const [key, boost] of Object.entries(settings.boosts))
    if (hasBit(productsOf(searcher, boost, at), product))
      rules.push({
        part: "boosts",
        id: key,
        name: boost.name,
        does: `${boost.factor >= 1 ? "raised" : "lowered"} × ${boost.factor}`,
        on: boost.on,
      });
  for (const [key, hide] of Object.entries(settings.hides))
    if (hasBit(productsOf(searcher, hide, at), product))
      rules.push({ part: "hides", id: key, name: hide.name, does: `hidden: ${hide.places.join(", ")}`, on: hide.on });
  for (const [key, shelf] of Object.entries(settings.shelves)) {
    const does = deedsOf(searcher, shelf, product, id, at);
    if (does.length > 0) rules.push({ part: "shelves", id: key, name: shelf.name, does: does.join(", "), on: shelf.on });
  }
  for (const [key, { name, condition }] of Object.entries(settings.selections))
    if (hasBit(searcher.conditions.products(condition, at), product))
      rules.push({ part: "selections", id: key, name, does: "belongs to it", on: true });
  if (settings.deadEnd.products.includes(id))
    rules.push({ part: "deadEnd", id: "products", name: "No results", does: "proposed when nothing is found", on: true });
  return rules;
}

/** What a shelf does to a product, in a few words each. */
function deedsOf({ conditions }: Searcher, shelf: Shelf, product: number, id: string, at: number): string[] {
  const isIn = (condition: Condition) => hasBit(conditions.products(condition, at), product);
  const group = Object.values(shelf.pinGroups).find(({ products }) => products.includes(id));
  return [
    lookUp(shelf.pins, id) === undefined ? "" : `pinned at ${lookUp(shelf.pins, id)}`,
    group ? `pinned in a group from ${group.place}` : "",
    shelf.add.includes(id) || shelf.addSelections.some((selection) => isIn({ selection })) ? "added" : "",
    shelf.exclude.includes(id) ? "excluded" : "",
    lookUp(shelf.strength, id) === undefined ? "" : `× ${lookUp(shelf.strength, id)}`,
    ...Object.values(shelf.rules).map((rule) => (rule.on && isIn(rule.condition) ? `by a rule: ${sayDeed(rule)}` : "")),
  ].filter(Boolean);
}

const sayDeed = (rule: ShelfRule): string =>
  rule.does === "strength" ? `× ${rule.factor}` : { first: "first", last: "last", exclude: "excluded" }[rule.does];

/** Where a selection is used, in words. */
export function usesOfSelection(settings: Settings, id: string): string[] {
  const names = (condition: Condition | undefined): boolean => {
    if (!condition) return false;
    if ("selection" in condition) return condition.selection === id;
    if ("all" in condition) return condition.all.some(names);
    if ("any" in condition) return condition.any.some(names);
    return "not" in condition ? names(condition.not) : false;
  };
  return [
    ...Object.values(settings.boosts).flatMap((boost) => (names(boost.condition) ? [`Boost “${boost.name}”`] : [])),
    ...Object.values(settings.hides).flatMap((hide) => (names(hide.condition) ? [`Hidden “${hide.name}”`] : [])),
    ...Object.entries(settings.selections).flatMap(([other, entry]) =>
      other !== id && names(entry.condition) ? [`Selection “${entry.name}”`] : [],
    ),
    ...Object.entries(settings.filters).flatMap(([filter, { from, label }]) =>
      from.some((source) => "selection" in source && source.selection === id) ? [`Filter “${labelIn(label, "en", filter)}”`] : [],
    ),
    ...Object.values(settings.page.cards).flatMap((card) => (names(card.condition ?? undefined) ? [`Card “${card.name}”`] : [])),
    ...Object.values(settings.page.badges).flatMap((badge) => (names(badge.condition) ? [`Badge “${badge.name}”`] : [])),
    ...Object.entries(settings.page.blocks).flatMap(([block, { shows, title }]) =>
      ("selection" in shows && shows.selection === id) || ("same" in shows && "selection" in shows.same && shows.same.selection === id)
        ? [`Block “${labelIn(title, "en", block)}”`]
        : [],
    ),
    ...Object.values(settings.shelves).flatMap((shelf) =>
      shelf.addSelections.includes(id) || Object.values(shelf.rules).some((rule) => names(rule.condition)) ? [`Shelf “${shelf.name}”`] : [],
    ),
    ...Object.values(settings.words).flatMap((rule) =>
      rule.does === "intent" && "selection" in rule.target && rule.target.selection === id ? [`Words “${rule.words.join(", ")}”`] : [],
    ),
  ];
}
