import { Problem } from "./problem";

/** How many may wait at most. */
interface Bounds {
  waitingPerClient: number;
  waitingPerStore: number;
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
 * Gives turns at work that holds the process while it lasts: one at a time, and everything else gets its turn in between. Next comes
 * the store that used the least lately, and of its clients the one that used the least: whoever asks much, or what is costly, waits
 * behind those who ask little.
 * @param now in ms.
 */
export function fairTurns({ waitingPerClient, waitingPerStore }: Bounds, now: () => number = () => performance.now()) {
  const waiting: Waiting[] = [];
  const used = new Map<string, Use>();
  let current: Waiting | null = null;
  let began = 0;

  const storeKey = ({ store }: Waiting) => `store ${store}`;
  const clientKey = ({ store, client }: Waiting) => `client ${store} ${client}`;
  const spentOf = (key: string): number => {
    const use = used.get(key);
    return use ? use.spent * 0.5 ** ((now() - use.at) / HALF_LIFE) : 0;
  };

  function account(turn: Waiting, ms: number): void {
    for (const key of [storeKey(turn), clientKey(turn)]) used.set(key, { spent: spentOf(key) + ms, at: now() });
    if (used.size > MOST_KNOWN) for (const key of [...used.keys()]) if (spentOf(key) < 1) used.delete(key);
  }

  function next(): Waiting | null {
    let best: { turn: Waiting; store: number; client: number } | null = null;
    for (const turn of waiting) {
      const [store, client] = [spentOf(storeKey(turn)), spentOf(clientKey(turn))];
      // Within what is equal, whoever came first.
      if (!best || store < best.store || (store === best.store && client < best.client)) best = { turn, store, client };
    }
    if (best) waiting.splice(waiting.indexOf(best.turn), 1);
    return best?.turn ?? null;
  }

  function begin(turn: Waiting): void {
    current = turn;
    began = now();
    turn.begin();
    setImmediate(end);
  }

  function end(): void {
    if (current) account(current, now() - began);
    current = null;
    const turn = next();
    if (turn) begin(turn);
  }

  return {
    /** Comes back when it is the caller's turn. @throws Problem 429 where too many wait already. */
    turn(client: string, store: string): Promise<void> {
      const ofStore = waiting.filter((turn) => turn.store === store);
      const ofClient = ofStore.filter((turn) => turn.client === client);
      if (ofClient.length >= waitingPerClient) throw tooMany("Too many searches of yours wait already", 1);
      if (ofStore.length >= waitingPerStore) throw tooMany("Too many searches wait already", 1);
      return new Promise((resolve) => {
        const turn = { client, store, begin: resolve };
        if (current) waiting.push(turn);
        else begin(turn);
      });
    },
  };
}

/** @param wait in seconds. */
export function tooMany(what: string, wait: number): Problem {
  return new Problem(429, `${what}. Ask again in ${wait} ${wait === 1 ? "second" : "seconds"}.`, [], { "retry-after": String(wait) });
}
