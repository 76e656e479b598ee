import { keysOf, textsOf } from "../../src/core/catalogue/text-of";
import type { Catalogue } from "../../src/core/catalogue/types";
import { OWN, type Searched } from "../fields";
import type { Asked } from "../shop";

/** Bars of a filter on numbers, all of the same width. */
const BARS = 20;

/** A filter's values by document, the plain way: each distinct value has a number; numbers are filed under bars. */
export interface FilterColumn {
  key: string;
  values: string[];
  /** By document. */
  held: number[][];
  /** By document, for a filter on numbers; null for one on values. */
  numbers: number[] | null;
}

export function documentsOf({ products, fields }: Catalogue, { weights }: Searched = OWN): (Record<string, string> & { id: number })[] {
  const searched = fields.filter((field) => field.key in weights);
  return products.map(
    ({ values }, id) =>
      ({ id, ...Object.fromEntries(searched.map((field) => [field.key, textsOf(field, values[field.key]).join(" ")])) }) as never,
  );
}

export function columnsOf({ products, fields }: Catalogue, { filters }: Searched = OWN): FilterColumn[] {
  return filters.map((key) => {
    const field = fields.find((entry) => entry.key === key);
    if (!field) throw new Error(`The catalogue has no field ${key}.`);
    if (field.type === "number")
      return numberColumn(
        key,
        products.map(({ values }) => Number(values[key] ?? Number.NaN)),
      );
    const places = new Map<string, number>();
    const held = products.map(({ values }) =>
      keysOf(field, values[key]).map((text) => {
        const place = places.get(text) ?? places.size;
        places.set(text, place);
        return place;
      }),
    );
    return { key, values: [...places.keys()], held, numbers: null };
  });
}

function numberColumn(key: string, numbers: number[]): FilterColumn {
  const known = numbers.filter((number) => !Number.isNaN(number));
  const least = known.reduce((a, b) => Math.min(a, b), Infinity);
  const most = known.reduce((a, b) => Math.max(a, b), -Infinity);
  const held = numbers.map((number) =>
    Number.isNaN(number) ? [] : [Math.min(BARS - 1, Math.floor(((number - least) / (most - least)) * BARS))],
  );
  return { key, values: Array.from({ length: BARS }, (_, bar) => String(bar)), held, numbers };
}

/** Whether a document meets what was chosen in a filter. */
export function choiceTest({ values, held, numbers }: FilterColumn, choice: Asked["filters"][string]): (document: number) => boolean {
  if ("min" in choice) return (document) => (numbers?.[document] ?? Number.NaN) >= choice.min && (numbers?.[document] ?? 0) <= choice.max;
  const wanted = choice.any.map((value) => values.indexOf(value));
  return (document) => held[document].some((value) => wanted.includes(value));
}
