import { LRUCache } from "lru-cache";
import type { ShopAnswer, Told } from "../workers/messages";

/** What all answers that are kept may take, in bytes. */
const MOST_BYTES = 64 * 1024 * 1024;

/** What an answer depends on beside the question: as long as these are the same objects, nothing of it changes but with the time. */
type State = Pick<Told, "row" | "index" | "live" | "logNumber">;

/**
 * Answers to shoppers, kept as long as nothing that they depend on changes: the catalogue, what is live, what is known of shoppers, and
 * the moment, up to the next one at which a rule, a price or a day begins or ends. What is asked often is worked out once.
 * @param now in ms since 1970.
 */
export function keptAnswers(now: () => number = Date.now) {
  const answers = new LRUCache<string, ShopAnswer>({
    maxSize: MOST_BYTES,
    sizeCalculation: ({ rest }, key) => rest.length + key.length * 2,
  });
  /** By store, as long as it is there. */
  const states = new WeakMap<object, { state: State; number: number }>();
  let last = 0;
  let hits = 0;
  let misses = 0;

  /** A number for each state of a store: what was kept of former ones is never asked for again, and goes as the oldest. */
  function numberOf(store: object, told: State): number {
    const known = states.get(store);
    const isSame =
      known &&
      known.state.index === told.index &&
      known.state.live === told.live &&
      known.state.row === told.row &&
      known.state.logNumber === told.logNumber;
    if (isSame) return known.number;
    const { row, index, live, logNumber } = told;
    states.set(store, { state: { row, index, live, logNumber }, number: ++last });
    return last;
  }

  return {
    /** Under what an answer is kept. @param body as the contract has read it. */
    keyOf: (store: object, told: State, name: string, body: unknown): string => `${numberOf(store, told)} ${name} ${JSON.stringify(body)}`,
    get(key: string): ShopAnswer | null {
      const kept = answers.get(key);
      const isOver = kept !== undefined && kept.until <= now();
      if (isOver) answers.delete(key);
      const found = isOver ? null : (kept ?? null);
      if (found) hits++;
      else misses++;
      return found;
    },
    put(key: string, answer: ShopAnswer): void {
      if (answer.until > now()) answers.set(key, answer);
    },
    counts: () => ({ hits, misses }),
  };
}
export type KeptAnswers = ReturnType<typeof keptAnswers>;

const DAY = 86_400_000;

/** Until when an answer holds: the next moment at which something is planned, or the end of the day, by which dates are counted. */
export const holdsUntil = (nextChange: string | null, at: number): number =>
  Math.min(nextChange === null ? Infinity : Date.parse(nextChange), (Math.floor(at / DAY) + 1) * DAY);
