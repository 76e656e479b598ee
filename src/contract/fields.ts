import { FIELD_ROLES, FIELD_TYPES } from "@core/catalogue/types";
import { FIELD_USES } from "@core/insights/catalogue/field-report";
import { z } from "zod";
import { whole } from "./parts";
import type { Routes } from "./route";

export const Field = z
  .strictObject({
    key: z.string(),
    label: z.string(),
    type: z.enum(FIELD_TYPES),
    role: z.enum(FIELD_ROLES),
    /** Share of the products that have it, from 0 to 1. */
    coverage: z.number(),
    distinct: z.number().int(),
    /** In words. */
    averageLength: z.number(),
    samples: z.array(z.string()),
    /** Whether shoppers may see it. */
    shown: z.boolean(),
  })
  .meta({ id: "Field" });
export type Field = z.output<typeof Field>;

export const FieldReport = z
  .strictObject({
    ...Field.shape,
    unit: z.string().nullable(),
    perOption: z.boolean(),
    bars: z.array(z.strictObject({ label: z.string(), count: z.number().int() })),
    /** Values beyond the bars. */
    otherValues: z.number().int(),
    uses: z.array(z.enum(FIELD_USES)),
    warnings: z.array(z.strictObject({ kind: z.string(), message: z.string() })),
  })
  .meta({ id: "FieldReport" });
export type FieldReport = z.output<typeof FieldReport>;

const FieldPatch = z
  .strictObject({ label: z.string().trim().min(1, "A field needs a name.").max(200).optional(), shown: z.boolean().optional() })
  .meta({ id: "FieldPatch" });

const FieldValues = z
  .strictObject({ total: z.number().int(), values: z.array(z.strictObject({ value: z.string(), products: z.number().int() })) })
  .meta({ id: "FieldValues" });

export const fieldRoutes = {
  "GET /api/stores/{store}/fields": { summary: "What each field holds", answers: { 200: z.array(Field) } },
  "GET /api/stores/{store}/fields/report": {
    summary: "A page of facts: each field with its distribution, its uses and what is odd about it",
    answers: { 200: z.array(FieldReport) },
  },
  "GET /api/stores/{store}/fields/{key}/values": {
    summary: "The values of a field, the most frequent first; search= for those with a text",
    query: z.object({ search: z.string().default(""), limit: whole(0, 5000, 50) }),
    answers: { 200: FieldValues },
  },
  "PATCH /api/stores/{store}/fields/{key}": {
    summary: "Rename a field, or say whether shoppers may see it; acts at once",
    body: FieldPatch,
    answers: { 200: Field },
  },
} satisfies Routes;
