import { Json } from "@core/search/request";
import { z } from "zod";

/** Shapes that several areas share. */

/** What is wrong, where, and what to do (RFC 9457). */
export const Problem = z
  .strictObject({
    type: z.string(),
    title: z.string(),
    status: z.number().int(),
    detail: z.string(),
    errors: z.array(z.strictObject({ path: z.string(), message: z.string() })),
  })
  .meta({ id: "Problem" });
export type Problem = z.output<typeof Problem>;

/** A line of a file that could not be read. */
export const LineProblem = z.strictObject({ line: z.number().int(), message: z.string() }).meta({ id: "LineProblem" });
export type LineProblem = z.output<typeof LineProblem>;

/** An operation of a JSON Patch (RFC 6902). */
export const PatchOperation = z
  .union([
    z.strictObject({ op: z.enum(["add", "replace", "test"]), path: z.string(), value: Json as z.ZodType<unknown> }),
    z.strictObject({ op: z.literal("remove"), path: z.string() }),
    z.strictObject({ op: z.enum(["move", "copy"]), path: z.string(), from: z.string() }),
  ])
  .meta({ id: "PatchOperation" });

/** A number of a query string. */
export const whole = (least: number, most: number, usual: number) =>
  z.coerce
    .number(`Use a whole number from ${least} to ${most}.`)
    .int(`Use a whole number from ${least} to ${most}.`)
    .min(least, `Use a whole number from ${least} to ${most}.`)
    .max(most, `Use a whole number from ${least} to ${most}.`)
    .default(usual);
