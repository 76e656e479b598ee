import { NobodyWaits } from "../task";
import { Problem } from "./problem";

/** How many may wait at most. */
interface Bounds {
  waitingPerClient: number;
  waitingPerStore: number;
  /** Of all stores together. */
  waiting: number;
}

/** What was used of the machine lately, in ms; half of it is forgotten every second. */
interface Use {
  spent: number;
  at: number;
}

interface Waiting {
  store: string;
  client: string;
  begin: () => void;
}

const HALF_LIFE = 1_000;
const MOST_KNOWN = 10_000;

/**
 * Gives turns at work that takes one of some places while it lasts. Next comes the store that used the least lately, and of its clients
 * the one that used the least: whoever asks much, or what is costly, waits behind those who ask little.
 * @param places how many may work at a time. @param now in ms.
 */
export function fairTurns(bounds: Bounds, places: number, now: () => number = () => performance.now()) {
  const waiting: Waiting[] = [];
  const used = new Map<string, Use>();
  let working = 0;

  const storeKey = ({ store }: Waiting) => `store ${store}`;
  const clientKey = ({ store, client }: Waiting) => `client ${store} ${client}`;
  const spentOf = (key: string, at = now()): number => {
    const use = used.get(key);
    return use ? use.spent * 0.5 ** ((at - use.at) / HALF_LIFE) : 0;
  };

  function account(turn: Waiting, ms: number): void {
    for (const key of [storeKey(turn), clientKey(turn)]) used.set(key, { spent: spentOf(key) + ms, at: now() });
    if (used.size > MOST_KNOWN) for (const key of [...used.keys()]) if (spentOf(key) < 1) used.delete(key);
  }

  function next(): Waiting | null {
    let best: { turn: Waiting; store: number; client: number } | null = null;
    const at = now();
    for (const turn of waiting) {
      const [store, client] = [spentOf(storeKey(turn), at), spentOf(clientKey(turn), at)];
      // Within what is equal, whoever came first.
      if (!best || store < best.store || (store === best.store && client < best.client)) best = { turn, store, client };
    }
    if (best) waiting.splice(waiting.indexOf(best.turn), 1);
    return best?.turn ?? null;
  }

  /** Begins a turn. @returns what ends it. */
  function begin(turn: Waiting): () => void {
    working++;
    const began = now();
    let isOver = false;
    return () => {
      if (isOver) return;
      isOver = true;
      working--;
      account(turn, now() - began);
      if (working < places) next()?.begin();
    };
  }

  return {
    /** How many wait. */
    waiting: () => waiting.length,
    /**
     * Comes back when it is the caller's turn, with what ends it.
     * @param left of whoever waits. @throws Problem 429 or 503 where too many wait already; NobodyWaits where they left.
     */
    turn(client: string, store: string, left?: AbortSignal): Promise<() => void> {
      const asked: Waiting = { client, store, begin: () => undefined };
      if (working < places) return Promise.resolve(begin(asked));
      const ofStore = waiting.filter((turn) => turn.store === store);
      const ofClient = ofStore.filter((turn) => turn.client === client);
      if (ofClient.length >= bounds.waitingPerClient) throw tooMany("Too many searches of yours wait already", 1);
      if (ofStore.length >= bounds.waitingPerStore) throw tooMany("Too many searches wait already", 1);
      if (waiting.length >= bounds.waiting) throw overloaded("The server has more to answer than it can");
      return new Promise((resolve, reject) => {
        const leave = () => {
          waiting.splice(waiting.indexOf(asked), 1);
          reject(new NobodyWaits());
        };
        asked.begin = () => {
          left?.removeEventListener("abort", leave);
          resolve(begin(asked));
        };
        waiting.push(asked);
        left?.addEventListener("abort", leave, { once: true });
      });
    },
  };
}

/** @param wait in seconds. */
export function tooMany(what: string, wait: number): Problem {
  return new Problem(429, `${what}. Ask again in ${wait} ${wait === 1 ? "second" : "seconds"}.`, [], { "retry-after": String(wait) });
}

export function overloaded(what: string): Problem {
  return new Problem(503, `${what}. Ask again in a second.`, [], { "retry-after": "1" });
}
