import type { Repair } from "@contract/no-results";
import { titlesOf } from "@core/index/read";
import { CAUSES, type CasesSoFar, mostLostFirst, type RepairCase } from "@core/insights/repair/case";
import type { EngineView } from "../engine/view";
import { casesOf, repairsOf, strictnessEffectsOf } from "../log/repair";
import type { SomeReadHandlers } from "./handlers";

const MOST_CASES = 400;

const MOST_TITLES = 3;

/** How long an overview waits for all of it before it tells what there is, in ms. */
const PATIENCE = 300;

/** What work comes to, null where it takes longer. @param most in ms */
async function inTime<T>(work: Promise<T>, most: number): Promise<T | null> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<null>((done) => {
    timer = setTimeout(done, most, null);
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
}

const progressOf = (...parts: CasesSoFar[]) => ({
  looked: parts.reduce((sum, { looked }) => sum + looked, 0),
  of: parts.reduce((sum, { of }) => sum + of, 0),
});

const lostOf = (cases: readonly RepairCase[]) => cases.reduce((sum, { lost }) => sum + lost, 0);

/** Searches that fail, what could be done about each, and how strictly searches are taken. */
export function repairHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/repair": async ({ params, query }) => {
      const store = engine.store(params.store);
      const [draft, live] = [casesOf(store, "draft"), casesOf(store, "live")];
      const through = await inTime(Promise.all([draft.all, live.all]), PATIENCE);
      const [all, liveCases] = through ?? [mostLostFirst(draft.soFar().cases), live.soFar().cases];
      const put = new Map(engine.setAside.all(store.row.id).map((entry) => [entry.text, entry]));
      // A case may be named by another of its texts since it was ignored.
      const isOpen = ({ texts }: RepairCase) => !texts.some(({ text }) => put.has(text));
      const cases = all.filter(isOpen);
      const wanted = query.cause ? cases.filter(({ cause }) => cause === query.cause) : cases;
      const byText = new Map(all.flatMap((entry) => entry.texts.map(({ text }) => [text, entry])));
      return {
        progress: through ? null : progressOf(draft.soFar(), live.soFar()),
        searches: store.log.stats.searches,
        lostLive: lostOf(liveCases.filter(isOpen)),
        lostDraft: lostOf(cases),
        cases: wanted.slice(0, MOST_CASES),
        count: wanted.length,
        causes: CAUSES.map((cause) => ({ cause, count: cases.filter((entry) => entry.cause === cause).length })),
        aside: [...put.values()].map((entry) => ({
          ...entry,
          asked: byText.get(entry.text)?.asked ?? 0,
          lost: byText.get(entry.text)?.lost ?? 0,
        })),
      };
    },
    "POST /api/stores/{store}/repair/proposals": async ({ params, body }) => {
      const store = engine.store(params.store);
      const looking = casesOf(store, "draft");
      // The first rows are there before the last one is found.
      const known = new Map(looking.soFar().cases.map((entry) => [entry.text, entry]));
      const byText = body.texts.every((text) => known.has(text)) ? known : new Map((await looking.all).map((entry) => [entry.text, entry]));
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
    "GET /api/stores/{store}/strictness": ({ params }) => strictnessEffectsOf(engine.store(params.store)),
  } satisfies SomeReadHandlers;
}
