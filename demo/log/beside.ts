import type { LoggedEvent } from "../../src/core/log/events";
import { Random } from "../random";

/** How many of those who look at a product go on to one that is beside it, and how much less each further one is taken. */
const GOES_ON = 0.05;
const FARTHER = 0.55;
/** Of those who buy a product, how many also take what goes with it best. */
const TAKES_TOO = 0.3;
const PAUSE = 20_000;

/**
 * The visits with what shoppers went on to from the pages of products.
 * @param recommendationsOf ids of the recommendations of a product, in their order.
 */
export function withBeside(
  events: readonly LoggedEvent[],
  recommendationsOf: (product: string) => readonly string[],
  seed = 2027,
): LoggedEvent[] {
  const random = new Random(seed);
  const added: LoggedEvent[] = [];
  for (const { kind, product, at, visit } of events) {
    if (kind === "order" && product && random.chance(TAKES_TOO)) {
      const [first] = recommendationsOf(product);
      if (first) added.push({ visit, kind: "order", product: first, at: new Date(Date.parse(at) + 1).toISOString() });
    }
    if (kind !== "click" || !product || !random.chance(GOES_ON)) continue;
    const others = recommendationsOf(product);
    let place = 0;
    while (place < others.length - 1 && random.chance(FARTHER)) place++;
    if (others.length > 0)
      added.push({ visit, kind: "click", product: others[place], beside: product, at: new Date(Date.parse(at) + PAUSE).toISOString() });
  }
  return [...events, ...added].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
}
