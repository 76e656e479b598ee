import type { AnswerOf, BodyOf, ParamsOf, QueryOf } from "@contract/route";
import type { AllRoutes, RouteKey } from "@contract/routes";
import { type QueryKey, type UseQueryResult, useQuery } from "@tanstack/react-query";
import { ask, type HttpError } from "@ui/http";
import { useOpen } from "../state/bench";

/** Routes of a store. */
export type StoreKey = Extract<RouteKey, `${string}/api/stores/{store}/${string}`>;

type OtherParams<Key> = Omit<ParamsOf<Key>, "store">;
/** What is asked of the open store: the other parameters of the path, the query, the body. */
type Question<Key extends StoreKey> = (keyof OtherParams<Key> extends never ? unknown : { params: OtherParams<Key> }) &
  ([QueryOf<AllRoutes[Key]>] extends [never] ? unknown : { query?: QueryOf<AllRoutes[Key]> }) &
  ([BodyOf<AllRoutes[Key]>] extends [never] ? unknown : { body: BodyOf<AllRoutes[Key]> });

export type Answer<Key extends StoreKey> = AnswerOf<AllRoutes[Key]>;

interface How<A> {
  /** What the answer depends on: the draft, what is live, or neither. */
  of?: "draft" | "live" | "store";
  /** Waits so long for another question before it asks, in ms. */
  pause?: number;
  /** Asks again after so long, in ms, where the answer is not the last one yet. */
  again?: (answer: A | undefined) => number | false;
  /** Whether it is a figure beside something else: why it cannot be had is said in passing. */
  isFact?: boolean;
}

/**
 * What the open store answers. It is asked anew for each state of what the answer depends on, and the last answer to the same
 * question stays meanwhile; a late answer never replaces a newer one.
 * @param question null asks nothing.
 */
export function useAsk<Key extends StoreKey>(
  route: Key,
  question: Question<Key> | null,
  { of = "draft", pause = 0, isFact = false, again }: How<Answer<Key>> = {},
): UseQueryResult<Answer<Key>, HttpError> {
  const { store, revision, release } = useOpen("store", "revision", "release");
  const state = { draft: revision, live: release, store: null }[of];
  return useQuery<Answer<Key>, HttpError>({
    queryKey: keyOf(route, store.id, state, question),
    queryFn: async ({ signal }) => {
      if (pause > 0) await wait(pause, signal);
      return askStore(route, store.id, question as Question<Key>, signal);
    },
    enabled: question !== null,
    meta: { isFact },
    refetchInterval: again && (({ state: { data } }) => again(data)),
    placeholderData: (last, query) => (query && isSameQuestion(query.queryKey, keyOf(route, store.id, state, question)) ? last : undefined),
  });
}

/** A figure beside something else: null until it is known, and never a guess. */
export function useFact<Key extends StoreKey>(
  route: Key,
  question: Question<Key> | null,
  how: Omit<How<Answer<Key>>, "isFact"> = {},
): Answer<Key> | null {
  return useAsk(route, question, { ...how, isFact: true }).data ?? null;
}

/** Asks a route of a store. */
export function askStore<Key extends StoreKey>(
  route: Key,
  store: string,
  question: Question<Key>,
  signal?: AbortSignal,
): Promise<Answer<Key>> {
  const { params, ...rest } = question as { params?: Record<string, string> };
  // The compiler cannot follow a route that is chosen by a type parameter; `Question` says what it takes.
  return ask(route, { ...rest, params: { ...params, store }, signal } as never) as Promise<Answer<Key>>;
}

export function keyOf(route: string, store: string, state: unknown, question: unknown): QueryKey {
  return [route, store, state, question];
}

function isSameQuestion(a: QueryKey, b: QueryKey): boolean {
  return JSON.stringify([a[0], a[1], a[3]]) === JSON.stringify([b[0], b[1], b[3]]);
}

/** Waits, unless the question is dropped meanwhile. */
function wait(ms: number, signal: AbortSignal): Promise<void> {
  return new Promise((done, fail) => {
    const timer = setTimeout(done, ms);
    signal.addEventListener("abort", () => {
      clearTimeout(timer);
      fail(new DOMException("Another question was asked.", "AbortError"));
    });
  });
}
