import { z } from "zod";
import { Id, span } from "../parts";
import { ProductLine, USUAL_LINE } from "./line";
import { BoxMoment } from "./moment";
import { ARRANGEMENTS } from "./usual";

export type { BoxMoment };

/** How the search box behaves, and what the panel under it shows in each of its moments. */

/** A search that the shop itself wants completed. */
export const OwnSearch = z.strictObject({
  text: z.string().trim().min(1, "A search needs a text.").max(200),
  /** The higher ones come first. */
  priority: z
    .number("A priority is a number.")
    .int("A priority is a whole number.")
    .min(0, "A priority is at least 0.")
    .max(100, "A priority is at most 100.")
    .default(50),
  on: z.boolean().default(true),
  ...span,
});
export type OwnSearch = z.infer<typeof OwnSearch>;

export const Box = z.strictObject({
  moments: z
    .strictObject({
      focus: BoxMoment.prefault(ARRANGEMENTS.pair.focus),
      typing: BoxMoment.prefault(ARRANGEMENTS.pair.typing),
      nothing: BoxMoment.prefault(ARRANGEMENTS.pair.nothing),
    })
    .prefault({}),
  /** Letters from which something is proposed. */
  from: z.number().int().min(1).max(5).default(1),
  /** The best completion of the last word is in the field, to be taken with the right arrow key. */
  finish: z.boolean().default(true),
  /** What matched is marked. */
  marks: z.boolean().default(true),
  /** A microphone beside the field, where the browser understands speech. */
  voice: z.boolean().default(false),
  /** A whole article number leads to its product. */
  numbers: z.boolean().default(true),
  /** Within a category the search stays in it, until the shopper says otherwise. */
  scoped: z.boolean().default(false),
  /** A link to all results with their number. */
  all: z.boolean().default(true),
  /** What the panel is as wide as. */
  anchor: z.enum(["field", "page"]).default("field"),
  line: ProductLine.prefault(USUAL_LINE),
  sources: z
    .strictObject({ own: z.boolean().default(true), log: z.boolean().default(true), words: z.boolean().default(true) })
    .prefault({}),
  list: z.record(Id, OwnSearch).default({}),
});
export type Box = z.infer<typeof Box>;

/** What a page has to know of the box; what it offers comes with each answer. */
export const BoxLook = Box.pick({ from: true, finish: true, marks: true, voice: true, anchor: true, scoped: true, line: true });
export type BoxLook = z.infer<typeof BoxLook>;
