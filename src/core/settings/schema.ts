import { z } from "zod";
import { Box } from "./box/box";
import { Condition } from "./condition";
import { DeadEnd, DeadEndAnswer } from "./dead-end";
import { Filter } from "./filter";
import { Messages } from "./messages";
import { Page } from "./page";
import { Factor, Id, Label, Rank } from "./parts";
import { RelatedLists } from "./related";
import { Shelf } from "./shelf";
import { Boost, Hide } from "./storewide";
import { renamed } from "./word-kinds";

export { Boost, DeadEndAnswer, Hide, Shelf };

/**
 * Everything a merchandiser decides, as one document per store. All of it acts at query time.
 * Collections are objects keyed by id; where order matters each entry carries a fractional `rank`.
 */

export const Attribute = z.strictObject({
  searchable: z.boolean(),
  weight: z.number().min(0, "A weight is at least 0.").max(10, "A weight is at most 10."),
  /** Words near the start count more. */
  early: z.boolean().default(false),
  /** How much long texts count less. */
  length: z.enum(["lot", "some", "none"]).default("some"),
  /** Only the whole value matches, as for codes. */
  whole: z.boolean().default(false),
});
export type Attribute = z.infer<typeof Attribute>;

const Words = z.array(z.string().trim().min(1, "A word cannot be empty.").max(200)).min(1, "Give at least one word.").max(200);
const Quality = z.number().min(0.05).max(1);
const On = z.boolean().default(true);

export const WordRule = z.discriminatedUnion("does", [
  z.strictObject({
    does: renamed("synonym", "same"),
    words: Words.min(2, "Give at least two words that mean the same."),
    quality: Quality.default(0.9),
    on: On,
  }),
  z.strictObject({ does: renamed("one-way", "also"), words: Words, to: Words, quality: Quality.default(0.9), on: On }),
  z.strictObject({ does: z.literal("ignore"), words: Words, on: On }),
  z.strictObject({ does: renamed("phrase", "together"), words: Words, on: On }),
  z.strictObject({ does: z.literal("literal"), words: Words, on: On }),
  z.strictObject({ does: renamed("rewrite", "read"), words: Words, to: Words.max(1), on: On }),
  z.strictObject({
    does: renamed("intent", "stand"),
    words: Words,
    on: On,
    target: z.union([z.strictObject({ field: Id, value: z.string().max(400) }), z.strictObject({ selection: Id })]),
    as: z.enum(["filter", "prefer"]).default("filter"),
  }),
  z.strictObject({ does: z.literal("never-offer"), words: Words, on: On }),
]);
export type WordRule = z.infer<typeof WordRule>;

export const ValueGroup = z.strictObject({
  field: Id,
  label: Label,
  colour: z.string().max(32).nullable().default(null),
  values: z.array(z.string().max(400)).max(5000),
  on: On,
});
export type ValueGroup = z.infer<typeof ValueGroup>;

export const ProductSettings = z.strictObject({
  /** Values that win over the feed's; null empties a field. */
  set: z
    .record(
      Id,
      z.union([
        z.string().max(20_000),
        z.number(),
        z.boolean(),
        z.array(z.string().max(400)).max(1000),
        z.array(z.array(z.string().max(200)).max(12)).max(200),
        z.null(),
      ]),
    )
    .default({}),
  addTags: z.array(z.string().max(200)).default([]),
  removeTags: z.array(z.string().max(200)).default([]),
  boost: Factor.nullable().default(null),
});
export type ProductSettings = z.infer<typeof ProductSettings>;

const STOCK_RULES = ["mixed", "behind", "asked-for"] as const;
const StockRule = z.enum(STOCK_RULES);
const stockRules = (inLists: (typeof STOCK_RULES)[number], elsewhere: (typeof STOCK_RULES)[number]) =>
  z
    .strictObject({
      browsing: StockRule.default(inLists),
      searching: StockRule.default(inLists),
      typing: StockRule.default(elsewhere),
      beside: StockRule.default(elsewhere),
    })
    .prefault({});
export type StockRule = z.infer<typeof StockRule>;

export const Settings = z.strictObject({
  attributes: z.record(Id, Attribute).default({}),
  misspelling: z
    .strictObject({
      policy: z.enum(["off", "ask", "correct"]).default("correct"),
      proposals: z.number().int().min(0).max(5).default(3),
      few: z.number().int().min(0).max(100).default(3),
      /** Fields whose words are no corrections. */
      except: z.array(Id).max(200).default([]),
      /** What searches are proposed from: the catalogue's words, and what shoppers of the log took instead. */
      sources: z.strictObject({ catalogue: z.boolean().default(true), log: z.boolean().default(true) }).prefault({}),
    })
    .prefault({}),
  words: z.record(Id, WordRule).default({}),
  groups: z.record(Id, ValueGroup).default({}),
  sentences: z.record(Id, z.string().max(200)).default({}),
  selections: z.record(Id, z.strictObject({ name: z.string().max(200), condition: Condition })).default({}),
  ranking: z
    .strictObject({
      tieWidth: z.number().min(0, "The tie width is at least 0.").max(50, "The tie width is at most 50.").default(5),
      /** `field`: a key, or one of what is worked out: `:in-stock`, `:discount`. */
      ties: z.record(Id, z.strictObject({ field: Id, direction: z.enum(["asc", "desc"]), rank: Rank })).default({}),
      /** Products that are sold out, by place. */
      stock: stockRules("behind", "asked-for"),
      /** Products out of stock that can be ordered, and those that come on a date. */
      toOrder: stockRules("mixed", "mixed"),
      coming: stockRules("behind", "asked-for"),
      /** Which option stands for a product, of those that answer a search equally and are in stock. */
      option: z.union([z.enum(["cheapest", "first"]), renamed("most-expensive", "dearest")]).default("cheapest"),
    })
    .prefault({}),
  boosts: z.record(Id, Boost).default({}),
  hides: z.record(Id, Hide).default({}),
  filters: z.record(Id, Filter).default({}),
  shelves: z.record(Id, Shelf).default({}),
  products: z.record(Id, ProductSettings).default({}),
  /** What is beside single products. */
  related: z.record(Id, RelatedLists).default({}),
  /** Guides and information pages by id; a page that is not named can be found. */
  pages: z.record(Id, z.strictObject({ searchable: z.boolean() })).default({}),
  deadEnd: DeadEnd.prefault({}),
  box: Box.prefault({}),
  page: Page.prefault({}),
  messages: Messages.default({}),
});
export type Settings = z.infer<typeof Settings>;
/** Settings as they may be sent: what has a usual value can be left out. */
export type SettingsInput = z.input<typeof Settings>;
