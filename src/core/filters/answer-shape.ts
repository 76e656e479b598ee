import { z } from "zod";

/** What a shopper is told of a filter. */

export const FilterValue = z.strictObject({
  value: z.string(),
  label: z.string(),
  count: z.number().int(),
  selected: z.boolean(),
  /** The colour, and the address of a picture, that it was given. */
  colour: z.string().optional(),
  picture: z.string().optional(),
  /** In a category tree: levels above it. */
  depth: z.number().int().optional(),
  /** For steps of numbers: from, which is in it, up to, which is not; null where it is open. */
  from: z.number().nullable().optional(),
  to: z.number().nullable().optional(),
});
export type FilterValue = z.infer<typeof FilterValue>;
const FilterHead = {
  id: z.string(),
  label: z.string(),
  display: z.string(),
  help: z.string().optional(),
  /** Written after each number, where it is not the unit of the field. */
  unit: z.string().optional(),
  folded: z.boolean().optional(),
  /** Counts are not shown. */
  uncounted: z.boolean().optional(),
  all: z.boolean().optional(),
  /** Values that come before "more". */
  first: z.number().int().optional(),
};
export const FilterAnswer = z
  .union([
    z.strictObject({ ...FilterHead, values: z.array(FilterValue) }),
    z.strictObject({
      ...FilterHead,
      range: z.strictObject({ min: z.number(), max: z.number() }),
      /** Whether numbers lie beyond the range, which belong to its ends. */
      beyond: z.strictObject({ below: z.boolean(), above: z.boolean() }).optional(),
      selected: z.strictObject({ min: z.number().nullable(), max: z.number().nullable() }).nullable(),
      bars: z.array(z.strictObject({ from: z.number(), to: z.number(), count: z.number().int() })),
      /** For prices: products without one, where that is said in words. */
      none: FilterValue.optional(),
    }),
  ])
  .meta({ id: "FilterAnswer" });
export type FilterAnswer = z.infer<typeof FilterAnswer>;
