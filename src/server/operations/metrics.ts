import { collectDefaultMetrics, Gauge, Histogram, Registry } from "prom-client";
import type { Engine } from "../engine/engine";
import type { Outbox } from "../follow/outbox";
import type { Imports } from "../jobs/imports";
import type { KeptAnswers } from "../routes/kept-answers";
import type { Pool } from "../workers/pool";

/** Seconds; searches take milliseconds, imports minutes. */
const BUCKETS = [0.001, 0.0025, 0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10, 60];

interface Parts {
  pools: readonly Pool[];
  kept: Pick<KeptAnswers, "counts">;
  /** On a follower. */
  items: Pick<Outbox, "size"> | null;
}

/** What is counted of the server, in the text format of Prometheus: requests by route, the process, and what waits. */
export function createMetrics(engine: Engine, imports: Pick<Imports, "running">, { pools, kept, items }: Parts) {
  const registry = new Registry();
  // Memory, processor, garbage collection, and how long the loop of events is held up.
  collectDefaultMetrics({ register: registry });
  const requests = new Histogram({
    name: "clever_shelf_request_seconds",
    help: "How long requests took, by route",
    labelNames: ["method", "route", "status"],
    buckets: BUCKETS,
    registers: [registry],
  });
  const gauge = (name: string, help: string, read: () => number) =>
    new Gauge({
      name: `clever_shelf_${name}`,
      help,
      registers: [registry],
      collect() {
        this.set(read());
      },
    });
  for (const pool of pools) {
    gauge(`${pool.name}_waiting`, `Requests that wait for a worker (${pool.name})`, pool.waiting);
    gauge(`${pool.name}_busy`, `Requests that workers are busy with (${pool.name})`, pool.busy);
    gauge(`${pool.name}_deaths`, `Workers that died and were replaced since the start (${pool.name})`, pool.deaths);
  }
  gauge("stores", "Stores that are kept", () => engine.all().length);
  gauge("imports_running", "Imports under way", () => imports.running());
  gauge("events_waiting", "Events that are not written yet", () => engine.events.waiting());
  gauge("events_dropped", "Events that were let go for want of space since the start", () => engine.events.dropped());
  gauge("answers_kept_hits", "Shoppers' questions since the start whose answer was kept", () => kept.counts().hits);
  gauge("answers_kept_misses", "Shoppers' questions since the start whose answer was worked out", () => kept.counts().misses);
  if (items) gauge("items_waiting", "What shoppers did that the main server does not have yet", items.size);
  return {
    observe(method: string, route: string, status: number, seconds: number): void {
      requests.observe({ method, route, status: `${Math.floor(status / 100)}xx` }, seconds);
    },
    contentType: registry.contentType,
    text: () => registry.metrics(),
  };
}
export type Metrics = ReturnType<typeof createMetrics>;
