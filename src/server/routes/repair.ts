import type { Repair } from "@contract/no-results";
import { titlesOf } from "@core/index/read";
import type { RepairCase } from "@core/insights/repair/case";
import type { Engine } from "../engine/engine";
import { personOf } from "../http/person";
import { notFound } from "../http/problem";
import { casesOf, liveCasesOf, repairsOf, strictnessEffectsOf } from "../log/repair";
import type { SomeHandlers } from "./handlers";

const MOST_CASES = 400;

const MOST_TITLES = 3;

const lostOf = (cases: readonly RepairCase[]) => cases.reduce((sum, { lost }) => sum + lost, 0);

/** Searches that fail, what could be done about each, and how strictly searches are taken. */
export function repairHandlers(engine: Engine) {
  return {
    "GET /api/stores/{store}/repair": async ({ params }) => {
      const store = engine.store(params.store);
      const [all, live] = await Promise.all([casesOf(store), liveCasesOf(store)]);
      const put = new Map(engine.setAside.all(store.row.id).map((entry) => [entry.text, entry]));
      // A case may be named by another of its texts since it was ignored.
      const isOpen = ({ texts }: RepairCase) => !texts.some(({ text }) => put.has(text));
      const cases = all.filter(isOpen);
      const byText = new Map(all.flatMap((entry) => entry.texts.map(({ text }) => [text, entry])));
      return {
        searches: store.log.stats.searches,
        lostLive: lostOf(live.filter(isOpen)),
        lostDraft: lostOf(cases),
        cases: cases.slice(0, MOST_CASES),
        count: cases.length,
        aside: [...put.values()].map((entry) => ({
          ...entry,
          asked: byText.get(entry.text)?.asked ?? 0,
          lost: byText.get(entry.text)?.lost ?? 0,
        })),
      };
    },
    "POST /api/stores/{store}/repair/proposals": async ({ params, body }) => {
      const store = engine.store(params.store);
      const byText = new Map((await casesOf(store)).map((entry) => [entry.text, entry]));
      const cases: { text: string; repairs: Repair[] }[] = [];
      for (const text of body.texts) {
        const entry = byText.get(text);
        const repairs = entry ? await repairsOf(store, entry) : [];
        cases.push({
          text,
          repairs: repairs.map(({ kind, reason, entry: value, outcome, total, first, worth }) => ({
            kind,
            reason,
            entry: value,
            outcome,
            total,
            titles: titlesOf(store.index, first.slice(0, MOST_TITLES)),
            worth,
          })),
        });
      }
      return { cases };
    },
    "POST /api/stores/{store}/repair/aside": ({ c, params, body }) => {
      const entry = { ...body, by: personOf(c), at: new Date().toISOString() };
      engine.setAside.put(engine.store(params.store).row.id, entry);
      return entry;
    },
    "DELETE /api/stores/{store}/repair/aside/{text}": ({ params }) => {
      if (!engine.setAside.remove(engine.store(params.store).row.id, params.text)) throw notFound(`ignored search “${params.text}”`);
    },
    "GET /api/stores/{store}/strictness": ({ params }) => strictnessEffectsOf(engine.store(params.store)),
  } satisfies SomeHandlers;
}
