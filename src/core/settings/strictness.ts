import type { DeadEnd, Fallback } from "./dead-end";

/** How strictly a search is taken: how much of it a product must answer, from every word down to anything at all. */

export const STRICTNESS = ["every", "most", "half", "part", "always"] as const;
export type Strictness = (typeof STRICTNESS)[number];

const LEAST: Record<Strictness, number> = { every: 100, most: 67, half: 50, part: 0, always: 0 };
const REST: readonly Fallback[] = ["partial", "category"];

/** The settings of a shop that takes searches so; fallbacks that have nothing to do with it stay as they are. */
export function withStrictness({ ladder }: Pick<DeadEnd, "ladder">, strictness: Strictness): Pick<DeadEnd, "ladder" | "least"> {
  const others = ladder.filter((fallback) => !REST.includes(fallback));
  const rest: Fallback[] = strictness === "every" ? [] : strictness === "always" ? [...REST] : ["partial"];
  return { ladder: [...others, ...rest], least: LEAST[strictness] };
}

/** How strictly a shop takes searches; null where it is set otherwise than by these words. */
export function strictnessOf({ ladder, least }: Pick<DeadEnd, "ladder" | "least">): Strictness | null {
  const [partial, category] = REST.map((fallback) => ladder.includes(fallback));
  if (!partial) return category ? null : "every";
  if (category) return least === 0 && ladder.indexOf("category") > ladder.indexOf("partial") ? "always" : null;
  return (["most", "half", "part"] as const).find((name) => LEAST[name] === least) ?? null;
}
