import { z } from "zod";

const Scalar = z.union([z.string().max(400), z.number(), z.boolean()]);

/** One test of a field. Exactly one of the comparisons is given. */
export const FieldTest = z
  .strictObject({
    field: z.string().max(120),
    is: Scalar.optional(),
    oneOf: z.array(Scalar).max(2000).optional(),
    contains: z.string().max(400).optional(),
    startsWith: z.string().max(400).optional(),
    between: z.tuple([z.number().nullable(), z.number().nullable()]).optional(),
    empty: z.boolean().optional(),
    newerThanDays: z.number().min(0).max(36500).optional(),
  })
  .refine((test) => Object.keys(test).length === 2, { message: "A test names a field and one comparison." });
export type FieldTest = z.infer<typeof FieldTest>;

export type Condition = { all: Condition[] } | { any: Condition[] } | { not: Condition } | { selection: string } | FieldTest;

const MOST_LEVELS = 12;

/** How many levels of all, any and not are within one another. */
function levelsOf(condition: Condition): number {
  const within = "all" in condition ? condition.all : "any" in condition ? condition.any : "not" in condition ? [condition.not] : null;
  return within ? 1 + Math.max(0, ...within.map(levelsOf)) : 0;
}

/** Which products are meant: tests of fields, nested with all, any and not, or a selection by its id. */
export const Condition: z.ZodType<Condition, Condition> = z
  .lazy(() =>
    z.union([
      z.strictObject({ all: z.array(Condition).max(200) }),
      z.strictObject({ any: z.array(Condition).max(200) }),
      z.strictObject({ not: Condition }),
      z.strictObject({ selection: z.string().max(120) }),
      FieldTest,
    ]),
  )
  .refine((condition) => levelsOf(condition) <= MOST_LEVELS, {
    message: `A condition has at most ${MOST_LEVELS} levels of all, any and not; name parts of it as selections.`,
  })
  .meta({ id: "Condition" });
