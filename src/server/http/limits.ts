import type { Context, MiddlewareHandler } from "hono";
import { RateLimiterMemory, RateLimiterRes } from "rate-limiter-flexible";
import type { Callers } from "./caller";
import { tooMany } from "./turns";

/** How much is asked of the shop's side at most, so that no caller and no store takes all of it. */
export interface Limits {
  /** Per second, over ten seconds. */
  requestsPerClient: number;
  requestsPerStore: number;
  eventsPerClient: number;
  eventsPerStore: number;
}

/** Over how many seconds is counted: pages ask in bursts. */
const WINDOW = 10;

const rate = (perSecond: number) => new RateLimiterMemory({ points: perSecond * WINDOW, duration: WINDOW });

/** The limits of the doors that shoppers use. @param storeOf the store that a call is about; null where there is none. */
export function limitsOf(limits: Limits, { clientOf }: Pick<Callers, "clientOf">, storeOf: (c: Context) => string | null) {
  const clients = rate(limits.requestsPerClient);
  const stores = rate(limits.requestsPerStore);
  const eventsOfClients = rate(limits.eventsPerClient);
  const eventsOfStores = rate(limits.eventsPerStore);

  async function take(limiter: RateLimiterMemory, key: string, points: number, what: string): Promise<void> {
    try {
      await limiter.consume(key, points);
    } catch (error) {
      if (!(error instanceof RateLimiterRes)) throw error;
      throw tooMany(what, Math.max(1, Math.ceil(error.msBeforeNext / 1000)));
    }
  }

  const countRequest: MiddlewareHandler = async (c, next) => {
    const store = storeOf(c);
    await take(clients, clientOf(c), 1, "Too many requests of yours");
    if (store) await take(stores, store, 1, "Too many requests for this store");
    await next();
  };

  return {
    countRequest,
    /** Before the work of a call whose body was read: counts its events. */
    async admit(c: Context, body: unknown): Promise<void> {
      const store = storeOf(c);
      if (!store || !c.req.path.endsWith("/events")) return;
      const events = Array.isArray(body) ? body.length : 1;
      await take(eventsOfClients, clientOf(c), events, "Too many events of yours");
      await take(eventsOfStores, store, events, "Too many events for this store");
    },
  };
}
