import { z } from "zod";
import { Id } from "../parts";
import { BoxBlock } from "./block";

/** What is in the panel at a moment: nothing typed, a beginning typed, nothing found. */
export const BoxMoment = z.strictObject({
  /** How wide the columns are in proportion; as many as there are numbers. */
  shares: z
    .array(z.number().min(1, "A column is at least 1 wide.").max(12, "A column is at most 12 wide."))
    .min(1)
    .max(3, "A panel has at most three columns.")
    .default([12]),
  blocks: z.record(Id, BoxBlock).default({}),
});
export type BoxMoment = z.infer<typeof BoxMoment>;
