import { type Bits, emptyBits, setBit } from "../index/bits";
import { stringsOf } from "../index/strings";
import type { Index } from "../index/types";

/** Stands for the feed where a rule is named. */
export const FEED = "feed";

/** What the feed itself says about strength and visibility, by product. */
export interface FeedRules {
  /** Factor on the score, NaN where the feed says nothing; null without such a field. */
  factors: Float64Array | null;
  factorLabel: string;
  /** Products that the feed hides everywhere; null without such a field. */
  hidden: Bits | null;
  hiddenLabel: string;
}

export function prepareFeedRules(index: Index): FeedRules {
  const boost = index.fields.findIndex((field) => field.role === "boost");
  const hide = index.fields.findIndex((field) => field.role === "hidden");
  const factors = index.columns[boost];
  const flags = index.columns[hide];
  return {
    factors: factors?.kind === "numbers" && !factors.perOption ? factors.numbers : null,
    factorLabel: index.fields[boost]?.label ?? "",
    hidden: flags?.kind === "keys" && !flags.perOption ? productsWithYes(index, flags) : null,
    hiddenLabel: index.fields[hide]?.label ?? "",
  };
}

function productsWithYes(index: Index, column: Index["columns"][number] & { kind: "keys" }): Bits {
  const bits = emptyBits(index.products);
  const yes = stringsOf(column.keys).indexOf("Yes");
  for (let product = 0; product < index.products; product++)
    for (let i = column.starts[product]; i < column.starts[product + 1]; i++) if (column.ordinals[i] === yes) setBit(bits, product);
  return bits;
}
