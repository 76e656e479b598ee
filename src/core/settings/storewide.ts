import { z } from "zod";
import { Condition } from "./condition";
import { Factor, Id, keeping, Place, span } from "./parts";

/** What is raised, lowered or hidden in the whole shop. */

const Matcher = {
  condition: Condition.optional(),
  products: z.array(Id).max(100_000).optional(),
};
const onlyOne = (rule: { condition?: unknown; products?: unknown }) => (rule.condition === undefined) !== (rule.products === undefined);
const ONLY_ONE = { message: "Name either a condition or products." };
const On = z.boolean().default(true);

export const Boost = z
  .strictObject({ name: z.string().max(200), ...Matcher, factor: Factor, on: On, ...span, ...keeping })
  .refine(onlyOne, ONLY_ONE);
export type Boost = z.infer<typeof Boost>;

export const Hide = z
  .strictObject({
    name: z.string().max(200),
    ...Matcher,
    places: z.array(Place).min(1, "Name at least one place."),
    on: On,
    ...span,
    /** Why, for whoever finds it later. */
    reason: z.string().max(2000).default(""),
    ...keeping,
  })
  .refine(onlyOne, ONLY_ONE);
export type Hide = z.infer<typeof Hide>;
