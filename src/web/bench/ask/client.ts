import { type Query, QueryCache, QueryClient } from "@tanstack/react-query";
import { HttpError, sayError } from "@ui/http";
import { toast } from "@ui/toast";

/** A question that the server did not hear is asked once more; a refusal is a refusal. */
const mayRetry = (times: number, error: Error): boolean => times < 1 && error instanceof HttpError && error.status === 0;

/** What the bench has been answered. Keys hold route, store, state of the store and input, so an answer is never stale. */
export const answers = new QueryClient({
  queryCache: new QueryCache({
    // Figures beside a choice have no place for a reason; it is said once for each route, with the way to ask again.
    onError: (error, { meta, queryKey: [route] }) => {
      if (!meta?.isFact) return;
      const action = { label: "Try again", onClick: () => void askFailedAgain(String(route)) };
      toast.error(sayError(error), { id: String(route), action });
    },
  }),
  defaultOptions: {
    queries: {
      staleTime: Number.POSITIVE_INFINITY,
      gcTime: 5 * 60_000,
      retry: mayRetry,
      retryDelay: 500,
      refetchOnWindowFocus: false,
      networkMode: "always",
    },
  },
});

/**
 * Asks some routes anew, since what they tell was changed by a call that is no edit of the draft. An answer that is on its way may be
 * from before the change: it is dropped, the first one too.
 * @param routes none for all.
 */
export async function askAnew(...routes: string[]): Promise<void> {
  const which = { predicate: ({ queryKey }: Query) => routes.length === 0 || routes.includes(String(queryKey[0])) };
  await answers.cancelQueries(which);
  await answers.invalidateQueries(which);
}

/** Asks again whatever of a route could not be had. */
function askFailedAgain(route: string): Promise<void> {
  return answers.refetchQueries({ type: "active", predicate: ({ queryKey, state }) => queryKey[0] === route && state.status === "error" });
}
