import { titlesOf } from "@core/index/read";
import { CAUSES, type RepairCase } from "@core/repair/case";
import { REPAIR_KINDS } from "@core/repair/repair";
import { STRICTNESS } from "@core/settings/strictness";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Api } from "../http/api";
import { notFound } from "../http/problem";
import { casesOf, liveCasesOf, repairsOf, strictnessEffectsOf } from "../log/repair";
import { personOf } from "./draft";

const AsideShape = z.strictObject({ text: z.string(), reason: z.string(), by: z.string(), at: z.string() }).meta({ id: "SetAside" });
const CaseShape = z
  .strictObject({
    text: z.string(),
    texts: z.array(z.strictObject({ text: z.string(), asked: z.number().int() })),
    cause: z.enum(CAUSES),
    asked: z.number().int(),
    /** Searches after which nothing was clicked. */
    lost: z.number().int(),
    since: z.string(),
    lastAt: z.string(),
    next: z.array(z.strictObject({ text: z.string(), times: z.number().int() })),
    total: z.number().int(),
    weak: z.array(z.string()),
    corrected: z.string().nullable(),
  })
  .meta({ id: "RepairCase" });
const OverviewShape = z
  .strictObject({
    /** All searches of the log, and those lost to cases: by what is live, and by the draft. */
    searches: z.number().int(),
    lostLive: z.number().int(),
    lostDraft: z.number().int(),
    /** Cases of the draft, and how many there are in all. */
    cases: z.array(CaseShape),
    count: z.number().int(),
    /** Cases that were put aside; they fail still, and are counted. */
    aside: z.array(AsideShape.extend({ asked: z.number().int(), lost: z.number().int() })),
  })
  .meta({ id: "RepairOverview" });
const RepairsRequest = z.strictObject({ texts: z.array(z.string().max(512)).min(1).max(20) }).meta({ id: "RepairsRequest" });
const RepairShape = z
  .strictObject({
    kind: z.enum(REPAIR_KINDS),
    reason: z.string(),
    /** What is added to the settings: to which part, and what. */
    entry: z.json(),
    outcome: z.string(),
    total: z.number().int(),
    titles: z.array(z.string()),
    worth: z.number(),
  })
  .meta({ id: "Repair" });
const RepairsShape = z
  .strictObject({ cases: z.array(z.strictObject({ text: z.string(), repairs: z.array(RepairShape) })) })
  .meta({ id: "Repairs" });
const AsideRequest = z
  .strictObject({ text: z.string().min(1).max(512), reason: z.string().trim().min(1, "Say why, in a few words.").max(300) })
  .meta({ id: "SetAsideRequest" });
const StrictnessShape = z
  .strictObject({
    asked: z.number().int(),
    nothing: z.number().int(),
    effects: z.array(
      z.strictObject({
        strictness: z.enum(STRICTNESS),
        finds: z.number().int(),
        changed: z.array(z.strictObject({ text: z.string(), asked: z.number().int(), total: z.number().int(), shown: z.string() })),
      }),
    ),
  })
  .meta({ id: "StrictnessEffects" });

const MOST_CASES = 400;
const MOST_TITLES = 3;
const lostOf = (cases: readonly RepairCase[]) => cases.reduce((sum, { lost }) => sum + lost, 0);

/** Searches that fail, what could be done about each, and how strictly searches are taken. */
export function repairRoutes(api: Api, engine: Engine): void {
  api
    .route({
      method: "get",
      path: "/api/stores/{store}/repair",
      summary: "The searches of the log that fail in the draft, those that lose most first",
      answers: { status: 200, schema: OverviewShape },
      handle: async ({ param }) => {
        const store = engine.store(param("store"));
        const [all, live] = await Promise.all([casesOf(store), liveCasesOf(store)]);
        const put = new Map(engine.setAside.all(store.row.id).map((entry) => [entry.text, entry]));
        // A case may be named by another of its texts since it was put aside.
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
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/repair/proposals",
      summary: "What could be done about searches that fail, each tried on the draft; the likeliest first",
      body: RepairsRequest,
      answers: { status: 200, schema: RepairsShape },
      handle: async ({ param, body }) => {
        const store = engine.store(param("store"));
        const byText = new Map((await casesOf(store)).map((entry) => [entry.text, entry]));
        const cases: z.output<typeof RepairsShape>["cases"] = [];
        for (const text of body.texts) {
          const entry = byText.get(text);
          const repairs = entry ? await repairsOf(store, entry) : [];
          cases.push({
            text,
            repairs: repairs.map(({ kind, reason, entry: value, outcome, total, first, worth }) => ({
              kind,
              reason,
              entry: value as unknown as z.output<typeof RepairShape>["entry"],
              outcome,
              total,
              titles: titlesOf(store.index, first.slice(0, MOST_TITLES)),
              worth,
            })),
          });
        }
        return { cases };
      },
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/repair/aside",
      summary: "Put a failing search aside, with the reason; it keeps being counted",
      body: AsideRequest,
      answers: { status: 200, schema: AsideShape },
      handle: ({ c, param, body }) => {
        const entry = { ...body, by: personOf(c), at: new Date().toISOString() };
        engine.setAside.put(engine.store(param("store")).row.id, entry);
        return entry;
      },
    })
    .route({
      method: "delete",
      path: "/api/stores/{store}/repair/aside/{text}",
      summary: "Take a search back among those to be repaired",
      answers: { status: 204 },
      handle: ({ c, param }) => {
        if (!engine.setAside.remove(engine.store(param("store")).row.id, param("text")))
          throw notFound(`search “${param("text")}” put aside`);
        return c.body(null, 204);
      },
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/strictness",
      summary: "What each way to take searches, from every word to anything, would do to those of the log",
      answers: { status: 200, schema: StrictnessShape },
      handle: ({ param }) => strictnessEffectsOf(engine.store(param("store"))),
    });
}
