import type { News } from "@contract/colleagues";
import { streamSSE } from "hono/streaming";
import type { Engine } from "../engine/engine";
import type { SomeHandlers } from "./handlers";

/** How often a silent connection says that it is there, in ms: proxies cut those that say nothing for a minute. */
const EVERY = 20_000;

export function colleagueHandlers(engine: Engine) {
  return {
    "GET /api/stores/{store}/news": ({ c, params, query }) => {
      const store = engine.store(params.store);
      const { colleagues, draft, releases } = store;
      const leave = colleagues.come(query);
      // A proxy that gathers answers would keep the news to itself.
      c.header("x-accel-buffering", "no");
      return streamSSE(c, async (stream) => {
        const told = new Map<string, string>();
        const tell = (news: Partial<News>) => {
          for (const [event, value] of Object.entries(news)) {
            const data = JSON.stringify(value);
            if (told.get(event) !== data) void stream.writeSSE({ event, data });
            told.set(event, data);
          }
        };
        const tellDraft = () => tell({ draft: { revision: store.revision, release: releases.last, by: draft.lastBy } });
        const tellPeople = () => tell({ people: colleagues.all() });
        const ends = [draft.watch(tellDraft), releases.watch(tellDraft), colleagues.watch(tellPeople), leave];
        tellDraft();
        tellPeople();
        const beat = setInterval(() => void stream.write(": here\n\n"), EVERY);
        await new Promise<void>((done) => stream.onAbort(done));
        clearInterval(beat);
        for (const end of ends) end();
      });
    },
    "PUT /api/stores/{store}/people/{tab}": ({ params, body }) => engine.store(params.store).colleagues.move(params.tab, body),
  } satisfies SomeHandlers;
}
