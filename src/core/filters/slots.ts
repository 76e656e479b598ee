import { stringsOf } from "../index/strings";
import type { KeyColumn } from "../index/types";
import { ordinalsOfGroup } from "../prepare/values";
import { labelIn } from "../settings/ranked";
import type { Settings } from "../settings/schema";

/** What shoppers choose among in a filter: the values of the field, and groups in place of the values in them. */
export interface Slots {
  /** The slots of value o: `slots[starts[o] .. starts[o + 1]]`. */
  starts: Uint32Array;
  slots: Uint32Array;
  entries: Slot[];
  /** Slot by the value that a request names. */
  byValue: Map<string, number>;
}

export interface Slot {
  /** As requests name it. */
  value: string;
  /** The group's label by language; null for a plain value. */
  label: Settings["groups"][string]["label"] | null;
  colour: string | null;
  ordinals: number[];
}

/**
 * The slots of a field; null when no group is on that holds one of its values, so that slots are the values themselves.
 * @param locale language of the label by which requests name a group.
 */
export function prepareSlots(key: string, column: KeyColumn, { groups }: Pick<Settings, "groups">, locale: string): Slots | null {
  const acting = Object.entries(groups)
    .filter(([, group]) => group.on && group.field === key)
    .map(([id, group]) => ({ id, group, ordinals: ordinalsOfGroup(column, group) }))
    .filter(({ ordinals }) => ordinals.length > 0);
  if (acting.length === 0) return null;

  const keys = stringsOf(column.keys);
  // Groups of the same name are one to shoppers.
  const named = new Map<string, Slot>();
  for (const { id, group, ordinals } of acting) {
    const value = labelIn(group.label, locale, id);
    const known = named.get(value);
    if (known) known.ordinals = [...new Set([...known.ordinals, ...ordinals])];
    else named.set(value, { value, label: group.label, colour: group.colour, ordinals });
  }
  const entries = [...named.values()];
  const ofOrdinal: number[][] = keys.map(() => []);
  entries.forEach(({ ordinals }, slot) => {
    for (const ordinal of ordinals) ofOrdinal[ordinal].push(slot);
  });
  keys.forEach((value, ordinal) => {
    if (ofOrdinal[ordinal].length > 0) return;
    ofOrdinal[ordinal].push(entries.length);
    entries.push({ value, label: null, colour: null, ordinals: [ordinal] });
  });

  const starts = new Uint32Array(keys.length + 1);
  ofOrdinal.forEach((slots, ordinal) => {
    starts[ordinal + 1] = starts[ordinal] + slots.length;
  });
  // A value that stands in a group leads to the group, so that shared addresses outlive the making of a group.
  const byValue = new Map<string, number>();
  keys.forEach((value, ordinal) => {
    byValue.set(value, ofOrdinal[ordinal][0]);
  });
  entries.forEach(({ value }, slot) => {
    byValue.set(value, slot);
  });
  for (const { id, group } of acting) {
    const slot = byValue.get(labelIn(group.label, locale, id)) ?? 0;
    for (const value of [...group.values, ...Object.values(group.label)]) if (!byValue.has(value)) byValue.set(value, slot);
  }
  return { starts, slots: Uint32Array.from(ofOrdinal.flat()), entries, byValue };
}
