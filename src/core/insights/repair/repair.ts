import { add, freeId, type PatchOperation } from "../../settings/patch";
import type { Attribute, DeadEndAnswer, Settings, Shelf, ValueGroup, WordRule } from "../../settings/schema";

/** What could be done about a search that finds nothing, or not what was meant. */

export const REPAIR_KINDS = ["read", "also", "stand", "ignore", "group", "field", "redirect", "answer"] as const;
export type RepairKind = (typeof REPAIR_KINDS)[number];

/** One entry that is added to the settings, or put in the place of another. */
export type RepairEntry =
  | { part: "words"; value: WordRule }
  | { part: "groups"; value: ValueGroup }
  | { part: "attributes"; key: string; value: Attribute }
  | { part: "shelves"; value: Shelf }
  | { part: "answers"; value: DeadEndAnswer };

export interface RepairDraft {
  kind: RepairKind;
  entry: RepairEntry;
  /** What speaks for it, in a sentence. */
  reason: string;
  /** How likely it is before any shopper was asked, from 0 to 1. */
  prior: number;
}

/** A repair with what it would come to. */
export interface Repair extends RepairDraft {
  /** Products that the search would find, and the first of them by id. */
  total: number;
  outcome: string;
  first: string[];
  /** How likely it serves, from what shoppers took and what speaks for it. */
  worth: number;
}

/** The answer of its own that a search has already, by its id; null without one. */
export function answerFor({ deadEnd }: Pick<Settings, "deadEnd">, text: string): string | null {
  const wanted = text.trim().toLowerCase();
  const found = Object.entries(deadEnd.answers).find(([, { searches }]) => searches.some((search) => search.text.toLowerCase() === wanted));
  return found?.[0] ?? null;
}

/** An answer of a search's own that says nothing yet. */
export const blankAnswer = (text: string): DeadEndAnswer => ({
  searches: [{ match: "is", text }],
  message: {},
  proposals: [],
  products: [],
  on: true,
  from: null,
  until: null,
});

/** Under which id an entry is put: a free one, made of what it is about. */
function placeOf(settings: Settings, entry: RepairEntry): { collection: Record<string, unknown>; id: string } {
  switch (entry.part) {
    case "attributes":
      return { collection: settings.attributes, id: entry.key };
    case "words":
      return { collection: settings.words, id: freeId(settings.words, entry.value.words[0]) };
    case "groups":
      return { collection: settings.groups, id: freeId(settings.groups, Object.values(entry.value.label)[0] ?? "group") };
    case "shelves":
      return { collection: settings.shelves, id: freeId(settings.shelves, entry.value.name) };
    case "answers":
      return {
        collection: settings.deadEnd.answers,
        id: freeId(settings.deadEnd.answers, entry.value.searches[0]?.text ?? "answer"),
      };
  }
}

/** The edit of the draft that makes a repair. */
export function repairEdit(settings: Settings, entry: RepairEntry): PatchOperation[] {
  const { id } = placeOf(settings, entry);
  switch (entry.part) {
    case "attributes":
      return [add(["attributes", id], entry.value)];
    case "words":
      return [add(["words", id], entry.value)];
    case "groups":
      return [add(["groups", id], entry.value)];
    case "shelves":
      return [add(["shelves", id], entry.value)];
    case "answers":
      return [add(["deadEnd", "answers", id], entry.value)];
  }
}

/** The settings with a repair made; all else stays the same object. */
export function withRepair(settings: Settings, entry: RepairEntry): Settings {
  const { collection, id } = placeOf(settings, entry);
  const next = { ...collection, [id]: entry.value };
  if (entry.part === "answers") return { ...settings, deadEnd: { ...settings.deadEnd, answers: next as Settings["deadEnd"]["answers"] } };
  return { ...settings, [entry.part]: next };
}
