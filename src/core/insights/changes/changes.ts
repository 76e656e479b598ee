import { lookUp } from "../../records";
import { type Change, isSame, sayMembers } from "../../settings/differences";
import type { Filter } from "../../settings/filter";
import { nameOfFilter } from "../../settings/read-filter";
import type { Attribute, Settings, Shelf, ValueGroup, WordRule } from "../../settings/schema";
import { boxChanges } from "./changes-box";
import { messageChanges, pageChanges } from "./changes-page";

export type { Change };

const COLLECTIONS = [
  "attributes",
  "words",
  "groups",
  "selections",
  "boosts",
  "hides",
  "filters",
  "shelves",
  "products",
  "related",
  "pages",
] as const;
const WHOLES = ["misspelling", "sentences", "ranking"] as const;

/** What changed from one state of the settings to another. @param labelOf the label of a field by its key. */
export function describeChanges(before: Settings, after: Settings, labelOf: (key: string) => string): Change[] {
  const changes: Change[] = [];
  for (const part of COLLECTIONS) {
    const [old, now] = [before[part] as Record<string, unknown>, after[part] as Record<string, unknown>];
    if (old === now) continue;
    for (const id of new Set([...Object.keys(old), ...Object.keys(now)])) {
      if (isSame(lookUp(old, id), lookUp(now, id))) continue;
      const kind = lookUp(old, id) === undefined ? "added" : lookUp(now, id) === undefined ? "removed" : "changed";
      changes.push({
        part,
        id,
        kind,
        subject: subjectOf(part, id, lookUp(now, id) ?? lookUp(old, id), labelOf),
        text: kind === "changed" ? sayChange(part, lookUp(old, id), lookUp(now, id)) : kind,
      });
    }
  }
  for (const part of WHOLES) {
    if (isSame(before[part], after[part])) continue;
    const text = sayMembers(before[part], after[part], (key) => (part === "sentences" ? labelOf(key) : (lookUp(MEMBER_NAMES, key) ?? key)));
    changes.push({ part, id: "", kind: "changed", subject: WHOLE_NAMES[part], text });
  }
  changes.push(...pageChanges(before, after), ...messageChanges(before, after));
  changes.push(...boxChanges(before, after));
  for (const key of Object.keys(after.deadEnd) as (keyof Settings["deadEnd"])[]) {
    if (!isSame(before.deadEnd[key], after.deadEnd[key]))
      changes.push({
        part: "deadEnd",
        id: key,
        kind: "changed",
        subject: DEAD_END_NAMES[key],
        text: sayDeadEnd(before.deadEnd[key], after.deadEnd[key]),
      });
  }
  return changes;
}

/** Every entry that settings hold, by its name. @param labelOf the label of a field by its key. */
export function namedEntries(
  settings: Settings,
  labelOf: (key: string) => string,
): (Pick<Change, "id" | "subject"> & { part: keyof Settings })[] {
  return COLLECTIONS.flatMap((part) =>
    Object.entries(settings[part]).map(([id, entry]) => ({ part, id, subject: subjectOf(part, id, entry, labelOf) })),
  );
}

const WHOLE_NAMES: Record<(typeof WHOLES)[number], string> = {
  misspelling: "Misspellings",
  sentences: "Sentence forms",
  ranking: "Ranking",
};
const MEMBER_NAMES: Record<string, string> = {
  tieWidth: "tie width",
  ties: "tie-breakers",
  stock: "sold-out products",
  toOrder: "products to order",
  coming: "products that are coming",
  option: "the option shown",
  few: "how many are few",
  policy: "what happens to misspellings",
  except: "fields without corrections",
};
const DEAD_END_NAMES: Record<keyof Settings["deadEnd"], string> = {
  message: "Message when nothing is found",
  tips: "Tips",
  searches: "Proposed searches",
  products: "Proposed products",
  automatic: "Automatic proposals",
  answers: "Own answers",
  ladder: "Fallbacks",
  least: "How much of a search must be met",
  parts: "What the no-results page shows",
};

function subjectOf(part: (typeof COLLECTIONS)[number], id: string, entry: unknown, labelOf: (key: string) => string): string {
  if (part === "attributes") return labelOf(id);
  if (part === "words") return sayRule(entry as WordRule);
  if (part === "filters") return `Filter ${nameOfFilter(entry as Filter, id, "", labelOf)}`;
  const name = (entry as { name?: string }).name ?? id;
  return {
    shelves: `Shelf “${name}”`,
    hides: `Hidden: ${name}`,
    boosts: `Boost “${name}”`,
    groups: part === "groups" ? sayGroup(entry as ValueGroup, labelOf) : "",
    selections: `Selection “${name}”`,
    products: `Product ${id}`,
    related: `Recommendations of ${id}`,
    pages: `Page ${id}`,
  }[part];
}

function sayGroup({ label, field }: ValueGroup, labelOf: (key: string) => string): string {
  const [name] = Object.values(label);
  return name === undefined ? `Value group of ${labelOf(field)}` : `Value group “${name}” of ${labelOf(field)}`;
}

/** A word rule in one line. */
export function sayRule(rule: WordRule): string {
  const words = rule.words.join(", ");
  switch (rule.does) {
    case "synonym":
      return rule.words.join(" = ");
    case "one-way":
      return `${words} also finds ${rule.to.join(", ")}`;
    case "rewrite":
      return `${words} is read as ${rule.to[0]}`;
    case "ignore":
      return `${words}: ignored`;
    case "phrase":
      return `${words}: a phrase`;
    case "literal":
      return `${words}: never changed`;
    case "intent":
      return `${words} means a category or value`;
    case "never-offer":
      return `${words}: never offered`;
  }
}

function sayChange(part: (typeof COLLECTIONS)[number], before: unknown, after: unknown): string {
  if (part === "attributes") return sayAttribute(before as Attribute, after as Attribute);
  if (part === "shelves") return sayShelf(before as Shelf, after as Shelf);
  if (part === "filters") return sayFilter(before as Filter, after as Filter);
  if (part === "groups") return sayGroupChange(before as ValueGroup, after as ValueGroup);
  return sayMembers(before, after);
}

const FILTER_CHANGES: readonly [keyof Filter, string][] = [
  ["label", "renamed"],
  ["display", "another control"],
  ["from", "comes from other values"],
  ["replaces", "what is not used beside it"],
  ["order", "values in another order"],
  ["values", "values changed by hand"],
  ["numbers", "another scale"],
  ["levels", "other levels"],
  ["where", "where and when"],
  ["shown", "how it is shown"],
  ["rank", "moved"],
];

function sayFilter(before: Filter, after: Filter): string {
  const parts = FILTER_CHANGES.flatMap(([key, text]) => (isSame(before[key], after[key]) ? [] : [text]));
  if (before.on !== after.on) parts.push(after.on ? "switched on" : "switched off");
  return parts.join(", ");
}

/** Which values a group took in and let go, beside what else changed of it. */
function sayGroupChange(before: ValueGroup, after: ValueGroup): string {
  const added = after.values.filter((value) => !before.values.includes(value));
  const removed = before.values.filter((value) => !after.values.includes(value));
  if (added.length + removed.length === 0) return sayMembers(before, after);
  return [added.length > 0 && `${added.join(", ")} added`, removed.length > 0 && `${removed.join(", ")} removed`]
    .filter(Boolean)
    .join("; ");
}

function sayAttribute(before: Attribute, after: Attribute): string {
  const parts: string[] = [];
  if (before.searchable !== after.searchable) parts.push(after.searchable ? "searched now" : "no longer searched");
  if (before.weight !== after.weight) parts.push(`weight ${before.weight} → ${after.weight}`);
  if (before.early !== after.early) parts.push(after.early ? "early words count more" : "position no longer counts");
  if (before.length !== after.length) parts.push(`length counts: ${after.length}`);
  if (before.whole !== after.whole) parts.push(after.whole ? "whole value only" : "words one by one");
  return parts.join(", ");
}

const SHELF_CHANGES: readonly [keyof Shelf, string][] = [
  ["searches", "other searches"],
  ["categories", "other categories"],
  ["pinGroups", "pinned groups"],
  ["addSelections", "added selections"],
  ["rules", "rules"],
  ["end", "limit"],
  ["after", "what comes behind its end"],
  ["soldOut", "sold-out pins"],
  ["banner", "banner"],
  ["redirect", "redirect"],
  ["from", "dates"],
  ["until", "dates"],
  ["when", "when it is active"],
  ["note", "note"],
  ["owner", "owner"],
  ["review", "review date"],
];

function sayShelf(before: Shelf, after: Shelf): string {
  const parts: string[] = [];
  const count = (what: string, old: number, now: number) => {
    if (old !== now) parts.push(`${what} ${old} → ${now}`);
  };
  count("pins", Object.keys(before.pins).length, Object.keys(after.pins).length);
  const moved = Object.keys(after.pins).filter(
    (id) => lookUp(before.pins, id) !== undefined && !isSame(lookUp(before.pins, id), lookUp(after.pins, id)),
  );
  if (moved.length > 0) parts.push(moved.length === 1 ? "a pin moved" : `${moved.length} pins moved`);
  count("stronger or weaker", Object.keys(before.strength).length, Object.keys(after.strength).length);
  count("excluded", before.exclude.length, after.exclude.length);
  count("added", before.add.length, after.add.length);
  parts.push(...new Set(SHELF_CHANGES.flatMap(([key, text]) => (isSame(before[key], after[key]) ? [] : [text]))));
  if (before.on !== after.on) parts.push(after.on ? "switched on" : "switched off");
  if (before.name !== after.name) parts.push("renamed");
  return parts.join(", ") || "arrangement changed";
}

function sayDeadEnd(before: unknown, after: unknown): string {
  if (Array.isArray(before) && Array.isArray(after) && before.length !== after.length) return `${before.length} → ${after.length}`;
  if (typeof after === "boolean") return after ? "on" : "off";
  return "changed";
}
