import type { Field } from "@contract/fields";
import type { CardPart } from "@core/settings/page/card";
import { labelIn } from "@core/settings/ranked";

export const PART_NAMES: Record<CardPart["kind"], string> = {
  picture: "Picture",
  title: "Title",
  price: "Price",
  rating: "Rating",
  line: "Line of fields",
  options: "Options",
  stock: "Stock note",
  badges: "Badges",
  actions: "Buttons",
};

/** A part as it is when it is added. */
type NewPart = Omit<CardPart, "rank">;

interface Offer {
  name: string;
  part: NewPart;
}

/** Parts that can be added to a card: those it lacks, and a line for each field worth showing. */
export function offersFor(
  parts: Readonly<Record<string, CardPart>>,
  fields: readonly Field[],
  optionFields: readonly string[],
  language: string,
): Offer[] {
  const has = (kind: CardPart["kind"]) => Object.values(parts).some((part) => part.kind === kind);
  const once: Offer[] = (Object.keys(ONCE) as (keyof typeof ONCE)[])
    .filter((kind) => !has(kind))
    .map((kind) => ({ name: PART_NAMES[kind], part: ONCE[kind] as unknown as NewPart }));
  const options: Offer[] = has("options")
    ? []
    : optionFields.map((key) => ({
        name: `Options: ${labelOf(fields, key)}`,
        part: { kind: "options", field: key, as: "swatches", most: 5 } as unknown as NewPart,
      }));
  const lines: Offer[] = fields
    .filter((field) => field.shown && !NO_LINE.includes(field.role) && field.coverage > 0)
    .sort((a, b) => b.coverage - a.coverage)
    .map((field) => ({
      name: `Line: ${field.label}`,
      part: {
        kind: "line",
        text: { [language]: `{${field.key}}` },
        label: {},
        hide: "any",
        look: field.role === "brand" ? "soft" : "plain",
        lines: 1,
        marked: false,
      } as unknown as NewPart,
    }));
  return [...once, ...options, ...lines];
}

const ONCE = {
  picture: { kind: "picture", ratio: "6/5", fit: "fill", hover: null },
  title: { kind: "title", lines: 2, marked: false },
  price: { kind: "price", from: true, before: true, per: null },
  rating: { kind: "rating", count: true },
  stock: { kind: "stock", few: 5, always: false },
  badges: { kind: "badges" },
  actions: { kind: "actions", does: ["basket"], amount: false },
} as const;

const NO_LINE = [
  "title",
  "price",
  "salePrice",
  "listPrice",
  "picture",
  "link",
  "rating",
  "ratingCount",
  "stock",
  "sold",
  "boost",
  "hidden",
  "currency",
];

const labelOf = (fields: readonly Field[], key: string) => fields.find((field) => field.key === key)?.label ?? key;

/** What a part shows, in a few words. */
export function sayPart(part: CardPart, fields: readonly Field[], language: string): string {
  switch (part.kind) {
    case "picture":
      return [part.ratio.replace("/", " : "), part.fit === "whole" ? "shown whole" : "", part.hover ? "a second one under the pointer" : ""]
        .filter(Boolean)
        .join(", ");
    case "title":
      return `${part.lines === 1 ? "one line" : `up to ${part.lines} lines`}${part.marked ? ", matches marked" : ""}`;
    case "price":
      return [
        part.from ? "“from” before it" : "",
        part.before ? "with the old one" : "",
        part.per ? `and for an amount of ${labelOf(fields, part.per.field)}` : "",
      ]
        .filter(Boolean)
        .join(", ");
    case "rating":
      return part.count ? "with the number of ratings" : "alone";
    case "line": {
      const label = labelIn(part.label, language, "");
      return `${label ? `${label} ` : ""}${labelIn(part.text, language, "nothing yet")}`;
    }
    case "options":
      return `${labelOf(fields, part.field)}, ${part.as === "count" ? "how many" : `${part.most} as ${part.as}`}`;
    case "stock":
      return part.always ? "always" : `sold out, or at most ${part.few} left`;
    case "badges":
      return "those among the texts";
    case "actions":
      return part.does.join(", ") + (part.amount ? ", with an amount" : "");
  }
}
