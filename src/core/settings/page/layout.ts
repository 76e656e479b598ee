import { z } from "zod";

/** How results are laid out, for the whole shop or for a category and what is below it. */

/** Widths of the results from which a device's column count holds, in CSS pixels. */
export const WIDTHS = { phone: 0, tablet: 560, desktop: 900 } as const;
export const DEVICES = ["phone", "tablet", "desktop"] as const;
export type Device = (typeof DEVICES)[number];

const columns = (usual: number) => z.number().int().min(1, "At least one column.").max(8, "At most eight columns.").default(usual);
const height = z
  .number()
  .int()
  .min(40, "A picture is at least 40 px high.")
  .max(900, "A picture is at most 900 px high.")
  .nullable()
  .default(null);

const shape = {
  as: z.enum(["grid", "list"]).default("grid"),
  columns: z.strictObject({ phone: columns(2), tablet: columns(3), desktop: columns(4) }).prefault({}),
  /** Height of pictures in pixels; null for what their ratio gives. */
  pictures: z.strictObject({ phone: height, tablet: height, desktop: height }).prefault({}),
  paging: z.enum(["pages", "more", "endless"]).default("pages"),
  /** Products per page. */
  perPage: z.number().int().min(4, "At least 4 products per page.").max(100, "At most 100 products per page.").default(24),
  /** Numbers that shoppers may choose from; none when they may not. */
  perPageChoices: z.array(z.number().int().min(4).max(100)).max(6).default([]),
  /** Whether shoppers may change between grid and list. */
  mayChange: z.boolean().default(false),
};

export const Layout = z.strictObject(shape);
export type Layout = z.infer<typeof Layout>;

const part = Object.fromEntries(Object.entries(shape).map(([key, schema]) => [key, schema.unwrap().optional()])) as {
  [K in keyof typeof shape]: z.ZodOptional<ReturnType<(typeof shape)[K]["unwrap"]>>;
};

/** What a category and those below it have otherwise. */
export const LayoutOfCategory = z.strictObject({
  path: z.array(z.string().max(200)).min(1).max(12),
  layout: z.strictObject(part),
});
export type LayoutOfCategory = z.infer<typeof LayoutOfCategory>;

/** What a shop shows before anything is searched. */
export const Start = z.strictObject({
  show: z.enum(["nothing", "bestselling", "newest", "search", "mix"]).default("bestselling"),
  query: z.string().trim().max(512).default(""),
  most: z.number().int().min(1).max(48).default(8),
});
export type Start = z.infer<typeof Start>;
