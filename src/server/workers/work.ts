import { setImmediate as pause } from "node:timers/promises";
import { warmUp } from "@core/index/warm";
import { lookUp } from "@core/records";
import { requestOf } from "@core/search/request";
import { search } from "@core/search/search";
import { textsOf } from "../db/drafts";
import { changedInSteps } from "../engine/change-catalogue";
import { editSettings } from "../engine/edit";
import type { EngineView, StoreView } from "../engine/view";
import { bulkPlan } from "../routes/bulk-plan";
import { factsOfField } from "../routes/field-views";
import { summaryOf } from "../routes/log-views";
import { readingHandlers } from "../routes/reading";
import { resultOf, runYielding } from "../yielding";
import { changesBetween } from "./changes";
import type { Answer, Question } from "./messages";
import type { OtherWork } from "./other-work";
import { shared } from "./share";

/** Does what a worker is asked: answers a request, or works something out for the main thread. */
export function workOf(
  engine: EngineView,
  known: (store: string, isNext: boolean) => StoreView | undefined,
): (question: Question) => Promise<Answer> {
  const handlers = readingHandlers(engine) as Record<string, (input: unknown) => unknown>;
  const others: {
    [Name in keyof OtherWork]: (input: OtherWork[Name]["input"]) => OtherWork[Name]["value"] | Promise<OtherWork[Name]["value"]>;
  } = {
    "fresh settings": ({ store }) => engine.store(store).freshSettings(),
    "make ready": async ({ store, isNext, hasDraft, isDraft }) => {
      const wanted = known(store, isNext);
      // It was removed meanwhile.
      if (!wanted) return null;
      if (isDraft) {
        layOut(wanted);
        return null;
      }
      await runYielding(warmUp(wanted.index, known(store, false)?.index));
      wanted.searcher("live");
      await pause();
      if (hasDraft) wanted.searcher("draft");
      return null;
    },
    "changed catalogue": async ({ store, index: given, change }) => {
      const index = given ?? engine.store(store).index;
      return changesBetween(index, shared(await resultOf(changedInSteps(index, change))));
    },
    "edited draft": ({ store, patch }) => {
      const { settings } = engine.store(store);
      const edit = editSettings(settings, patch);
      return { changes: changesBetween(settings, edit.settings), texts: textsOf(edit, edit.settings) };
    },
    "facts of a field": ({ store, key }) => factsOfField(engine.store(store), key),
    log: ({ store }) => summaryOf(engine, store),
    "plan of a bulk change": ({ store, change }) => bulkPlan(engine.store(store), change),
  };
  return async ({ name, input }) => {
    const other = lookUp(others as Record<string, (input: unknown) => unknown>, name);
    if (other) return { value: await other(input) };
    const handle = lookUp(handlers, name);
    if (!handle) throw new Error(`No worker knows how to answer ${name}.`);
    return asSent(await handle(input));
  };
}

/** Lays out the draft of a store, and does what the first search in it would. */
function layOut(store: StoreView): void {
  search(store.searcher("draft").searcher, requestOf({ query: "a", limit: 1 }), { at: Date.now(), visible: () => true });
}

const encoder = new TextEncoder();

function asSent(answer: unknown): Answer {
  if (answer instanceof Response) return { status: answer.status, headers: [...answer.headers], body: answer.body };
  if (answer === undefined) return { status: 204, headers: [], body: null };
  const body = encoder.encode(JSON.stringify(answer)) as Uint8Array<ArrayBuffer>;
  return { status: 200, headers: [["content-type", "application/json"]], body };
}
