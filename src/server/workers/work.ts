import { setImmediate as pause } from "node:timers/promises";
import type { SearchAnswer, SuggestAnswer } from "@contract/search";
import { warmUp } from "@core/index/warm";
import { lookUp } from "@core/records";
import { requestOf } from "@core/search/request";
import { search } from "@core/search/search";
import { nextChange } from "@core/shelves/schedule";
import { textsOf } from "../db/drafts";
import { changedInSteps } from "../engine/change-catalogue";
import { editSettings } from "../engine/edit";
import type { EngineView, StoreView } from "../engine/view";
import { bulkPlan } from "../routes/bulk-plan";
import { factsOfField } from "../routes/field-views";
import { holdsUntil } from "../routes/kept-answers";
import { isKept } from "../routes/kept-routes";
import { summaryOf } from "../routes/log-views";
import { readingHandlers } from "../routes/reading";
import { resultOf, runYielding } from "../yielding";
import { changesBetween } from "./changes";
import type { Answer, Question, ShopAnswer } from "./messages";
import type { OtherWork } from "./other-work";
import { shared } from "./share";

/** What belongs to the answer of a shopper that is being worked out, instead of being told by itself. */
export class Noted {
  private found: Partial<Pick<ShopAnswer, "shown" | "offered">> | null = null;

  /** Whether such an answer is being worked out, and has taken it. */
  take(note: Partial<Pick<ShopAnswer, "shown" | "offered">>): boolean {
    if (this.found) Object.assign(this.found, note);
    return this.found !== null;
  }

  /** Works something out in one step, and keeps what was noted meanwhile. */
  during<T>(work: () => T): { result: T; shown: ShopAnswer["shown"]; offered: ShopAnswer["offered"] } {
    this.found = {};
    try {
      const result = work();
      return { result, shown: this.found.shown ?? null, offered: this.found.offered ?? null };
    } finally {
      this.found = null;
    }
  }
}

/** Does what a worker is asked: answers a request, or works something out for the main thread. */
export function workOf(
  engine: EngineView,
  noted: Noted,
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
    if (isKept(name)) return { shop: shopAnswer(engine, noted, () => handle(input), input as { params: { store: string } }) };
    return asSent(await handle(input));
  };
}

/** Lays out the draft of a store, and does what the first search in it would. */
function layOut(store: StoreView): void {
  search(store.searcher("draft").searcher, requestOf({ query: "a", limit: 1 }), { at: Date.now(), visible: () => true });
}

/** An answer to a shopper in parts. */
function shopAnswer(engine: EngineView, noted: Noted, work: () => unknown, { params }: { params: { store: string } }): ShopAnswer {
  const { result, shown, offered } = noted.during(() => work() as SearchAnswer | SuggestAnswer);
  const { searcher } = engine.store(params.store).searcher("live");
  const { state, tookMs, ...rest } = result;
  const at = Date.parse(state.at);
  const { searchId: _own, ...same } = rest as Partial<SearchAnswer>;
  return {
    rest: encoder.encode(JSON.stringify(same).slice(1, -1)) as Uint8Array<ArrayBuffer>,
    ...{ state, tookMs, shown, offered },
    until: holdsUntil(nextChange(searcher.settings, at, searcher.moment.until), at),
  };
}

const encoder = new TextEncoder();

function asSent(answer: unknown): Answer {
  if (answer instanceof Response) return { status: answer.status, headers: [...answer.headers], body: answer.body };
  if (answer === undefined) return { status: 204, headers: [], body: null };
  const body = encoder.encode(JSON.stringify(answer)) as Uint8Array<ArrayBuffer>;
  return { status: 200, headers: [["content-type", "application/json"]], body };
}
