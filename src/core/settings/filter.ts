import { z } from "zod";
import { Id, Label, Rank, SearchMatch } from "./parts";
import { USUAL_FIRST } from "./usual-first";

/** A shopper's filter: where its values come from, how they are offered, and where it stands. */

const Value = z.string().max(400);
const Values = z.array(Value).max(5000);

export const FilterSource = z.union([
  z
    .strictObject({
      /** Key of a field, or `:availability`, `:discount`. */
      field: Id,
      /** Only values that begin with it, named by what follows: "light:full" is "full". */
      prefix: z.string().min(1).max(80).optional(),
      /** These values alone, so that those that come later stay out. */
      only: Values.optional(),
      /** All values but these, so that those that come later are taken in. */
      without: Values.optional(),
    })
    .refine(({ only, without }) => !only || !without, { message: "Name either the values that are taken or those that are left out." }),
  /** The products of a selection, as a value with its name. */
  z.strictObject({ selection: Id }),
]);
export type FilterSource = z.infer<typeof FilterSource>;

/** What is done to values by hand: one is renamed, hidden or put in a place; several become one. */
export const FilterValueRule = z.strictObject({
  of: Values.min(1, "Name at least one value."),
  label: Label.default({}),
  hidden: z.boolean().default(false),
  /** Chosen when a shopper begins a search. */
  chosen: z.boolean().default(false),
  colour: z.string().max(32).nullable().default(null),
  picture: z.string().max(2000).nullable().default(null),
  /** Its place among those put in order by hand, which come before all others. */
  rank: Rank.nullable().default(null),
});
export type FilterValueRule = z.infer<typeof FilterValueRule>;

const FilterNumbers = z
  .strictObject({
    /** Thresholds between steps, ascending; null for steps worked out from the results. */
    edges: z.array(z.number()).min(1, "Give at least one threshold.").max(40).nullable().default(null),
    /** Ends of the scale; null for the smallest and largest of the results. What lies beyond belongs to the ends. */
    least: z.number().nullable().default(null),
    most: z.number().nullable().default(null),
    /** Written after each number; null for the unit of the field. */
    unit: z.string().max(24).nullable().default(null),
  })
  .refine(({ edges }) => !edges || edges.every((edge, i) => i === 0 || edge > edges[i - 1]), {
    message: "Each threshold is greater than the one before.",
    path: ["edges"],
  })
  .refine(({ least, most }) => least === null || most === null || least < most, {
    message: "The smallest number of the scale is below the largest.",
    path: ["most"],
  });

const CategoryPath = z.array(z.string().max(200)).min(1).max(12);

export const FilterWhere = z.strictObject({
  /** Beside the results of a search outside categories. */
  searching: z.boolean().default(true),
  /** In categories, where none below says otherwise. */
  categories: z.boolean().default(true),
  /** What single categories say; it holds for those below them too, until one of them says otherwise. */
  except: z
    .array(z.strictObject({ path: CategoryPath, on: z.boolean() }))
    .max(2000)
    .default([]),
  /** Only for these searches; none for all. */
  searches: z.array(SearchMatch).max(500).default([]),
  /** Only where at least this share of the results has a value. */
  share: z.number().min(0, "A share is at least 0.").max(1, "A share is at most 1.").default(0),
});

const FilterShown = z.strictObject({
  open: z.boolean().default(true),
  counts: z.boolean().default(true),
  /** Values without results. */
  empty: z.enum(["hidden", "grey"]).default("hidden"),
  /** Of a tick list: whether "All" stands above its values, ticked while none of them is. */
  all: z.boolean().default(false),
  /** Values that come before "more". */
  first: z.number().int().min(1).max(200).default(USUAL_FIRST),
  help: Label.default({}),
});

const FILTER_DISPLAYS = [
  "ticks",
  "choose",
  "list",
  "swatches",
  "buttons",
  "slider",
  "histogram",
  "fields",
  "steps",
  "yes-no",
  "tree",
] as const;
const FILTER_ORDERS = ["count", "alphabet", "natural"] as const;

const Level = z.number().int().min(1, "The first level is 1.").max(12, "There are at most 12 levels.");
const FilterLevels = z
  .strictObject({
    /** Of a category tree: the level at which it begins, and the last one; null for all. */
    first: Level.default(1),
    last: Level.nullable().default(null),
  })
  .refine(({ first, last }) => last === null || first <= last, { message: "The first level is not below the last.", path: ["last"] });

export const Filter = z.strictObject({
  from: z.array(FilterSource).min(1, "A filter has at least one source.").max(20),
  /** Whether filters that come from one of its fields alone rest while this one is on. */
  replaces: z.boolean().default(false),
  label: Label,
  display: z.enum(FILTER_DISPLAYS),
  order: z.enum(FILTER_ORDERS).default("count"),
  values: z.record(Id, FilterValueRule).default({}),
  numbers: FilterNumbers.prefault({}),
  levels: FilterLevels.prefault({}),
  where: FilterWhere.prefault({}),
  shown: FilterShown.prefault({}),
  on: z.boolean().default(true),
  rank: Rank,
});
export type Filter = z.infer<typeof Filter>;
export type FilterDisplay = Filter["display"];
