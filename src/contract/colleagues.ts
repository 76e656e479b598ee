import { z } from "zod";
import { file, nothing, type Routes } from "./route";

const Tab = z.string().min(1).max(64);
const Whereabouts = z.strictObject({
  /** The name under which they work. */
  name: z.string().max(80),
  /** The address within the bench, such as "ranking/boosts". */
  where: z.string().max(300),
});

/** Somebody who has a store's bench open. */
export interface Colleague extends z.output<typeof Whereabouts> {
  /** What tells their pages apart. */
  tab: string;
}

/** What the bench is told as it happens; each is sent once at the start, and again as it changes. */
export interface News {
  /** The revision of the draft, who led to it where that is known, and the release that is live. */
  draft: { revision: number; release: number | null; by: string | null };
  people: Colleague[];
}

export const colleagueRoutes = {
  "GET /api/stores/{store}/news": {
    summary: "What others do, as it happens: server-sent events “draft” and “people”. Whoever listens is here under their name",
    query: Whereabouts.extend({ tab: Tab }),
    answers: { 200: file("text/event-stream") },
    problems: [429],
  },
  "PUT /api/stores/{store}/people/{tab}": {
    summary: "Say where in the bench somebody is who listens to the news",
    body: Whereabouts.meta({ id: "Whereabouts" }),
    answers: { 204: nothing },
  },
} satisfies Routes;
