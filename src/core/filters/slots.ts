import { countStrings, stringsOf } from "../index/strings";
import type { KeyColumn } from "../index/types";
import { ordinalsOfGroup } from "../prepare/values";
import type { Filter, FilterValueRule } from "../settings/filter";
import { labelIn } from "../settings/ranked";
import type { Settings } from "../settings/schema";

/** What shoppers choose among in a filter: the values of its fields, groups in place of the values in them, and what was done to both by hand. */
export interface Slots {
  /** The slots of value o: `slots[starts[o] .. starts[o + 1]]`. */
  starts: Uint32Array;
  slots: Uint32Array;
  entries: Slot[];
  /** Slot by the value that a request names. */
  byValue: Map<string, number>;
}

interface Slot {
  /** As requests name it. */
  value: string;
  /** The label by language; null for a plain value. */
  label: Settings["groups"][string]["label"] | null;
  colour: string | null;
  picture: string | null;
  isHidden: boolean;
  /** Its place among those put in order by hand; null for the others. */
  rank: string | null;
  ordinals: number[];
}

type Groups = Pick<Settings, "groups">;

/**
 * The slots of a filter; null when no group is on that holds one of its values and nothing is done to one by hand, so that
 * slots are the values themselves.
 * @param keys of the filter's fields, whose groups act.
 * @param locale language of the label by which requests name a group.
 */
export function prepareSlots(
  keys: readonly string[],
  column: KeyColumn,
  { groups }: Groups,
  rules: Filter["values"],
  locale: string,
): Slots | null {
  const acting = Object.entries(groups)
    .filter(([, group]) => group.on && keys.includes(group.field))
    .map(([id, group]) => ({ id, group, ordinals: ordinalsOfGroup(column, group) }))
    .filter(({ ordinals }) => ordinals.length > 0);
  const made = Object.entries(rules);
  if (acting.length === 0 && made.length === 0) return null;

  const values = stringsOf(column.keys);
  // Groups of the same name are one to shoppers.
  const named = new Map<string, Slot>();
  for (const { id, group, ordinals } of acting) {
    const value = labelIn(group.label, locale, id);
    const known = named.get(value);
    if (known) known.ordinals = union(known.ordinals, ordinals);
    else named.set(value, { ...plainSlot(value, ordinals), label: group.label, colour: group.colour });
  }
  const grouped = new Set([...named.values()].flatMap(({ ordinals }) => ordinals));
  const entries = [...named.values()];
  values.forEach((value, ordinal) => {
    if (!grouped.has(ordinal)) entries.push(plainSlot(value, [ordinal]));
  });
  const byValue = namesOf(entries, values);
  // A value that is in a group leads to the group, so that shared addresses outlive the making of a group.
  for (const { id, group } of acting) {
    const slot = byValue.get(labelIn(group.label, locale, id)) ?? 0;
    for (const value of [...group.values, ...Object.values(group.label)]) if (!byValue.has(value)) byValue.set(value, slot);
  }
  return laidOut(byHand(entries, byValue, made, locale), countStrings(column.keys));
}

interface Named {
  entries: Slot[];
  byValue: Map<string, number>;
}

function plainSlot(value: string, ordinals: number[]): Slot {
  return { value, label: null, colour: null, picture: null, isHidden: false, rank: null, ordinals };
}

function namesOf(entries: readonly Slot[], values: readonly string[]): Map<string, number> {
  const byValue = new Map<string, number>();
  entries.forEach(({ ordinals }, slot) => {
    for (const ordinal of ordinals) if (!byValue.has(values[ordinal])) byValue.set(values[ordinal], slot);
  });
  entries.forEach(({ value }, slot) => {
    byValue.set(value, slot);
  });
  return byValue;
}

/** Values and groups with what was done to them: those that a rule names are together in one slot of its own. */
function byHand(entries: Slot[], byValue: Map<string, number>, rules: readonly [string, FilterValueRule][], locale: string): Named {
  const acting = rules
    .map(([id, rule]) => {
      // A value that is called like what several become is one of them.
      const of = rule.of.length > 1 ? [...rule.of, ...Object.values(rule.label)] : rule.of;
      return { id, rule, of: [...new Set(of.flatMap((value) => byValue.get(value) ?? []))] };
    })
    .filter(({ of }) => of.length > 0);
  if (acting.length === 0) return { entries, byValue };
  const ruled = new Set(acting.flatMap(({ of }) => of));
  const next: Slot[] = [];
  const places = new Map<number, number>();
  entries.forEach((entry, slot) => {
    if (ruled.has(slot)) return;
    places.set(slot, next.length);
    next.push(entry);
  });
  for (const { id, rule, of } of acting) {
    const [first] = of.map((slot) => entries[slot]);
    const isOne = rule.of.length === 1;
    for (const slot of of) if (!places.has(slot)) places.set(slot, next.length);
    next.push({
      // What is renamed keeps the name by which addresses know it.
      value: isOne ? first.value : labelIn(rule.label, locale, id),
      label: Object.values(rule.label).some(Boolean) ? rule.label : first.label,
      colour: rule.colour ?? first.colour,
      picture: rule.picture,
      isHidden: rule.hidden,
      rank: rule.rank,
      ordinals: of.reduce<number[]>((all, slot) => union(all, entries[slot].ordinals), []),
    });
  }
  const names = new Map([...byValue].map(([value, slot]) => [value, places.get(slot) ?? 0]));
  next.forEach(({ value }, slot) => {
    names.set(value, slot);
  });
  for (const { id, rule } of acting) {
    const slot = names.get(rule.of.length === 1 ? rule.of[0] : labelIn(rule.label, locale, id)) ?? 0;
    for (const label of Object.values(rule.label)) if (label && !names.has(label)) names.set(label, slot);
  }
  return { entries: next, byValue: names };
}

function union(a: readonly number[], b: readonly number[]): number[] {
  return [...new Set([...a, ...b])];
}

function laidOut({ entries, byValue }: Named, values: number): Slots {
  const ofOrdinal: number[][] = Array.from({ length: values }, () => []);
  entries.forEach(({ ordinals }, slot) => {
    for (const ordinal of ordinals) ofOrdinal[ordinal].push(slot);
  });
  const starts = new Uint32Array(values + 1);
  ofOrdinal.forEach((slots, ordinal) => {
    starts[ordinal + 1] = starts[ordinal] + slots.length;
  });
  return { starts, slots: Uint32Array.from(ofOrdinal.flat()), entries, byValue };
}
