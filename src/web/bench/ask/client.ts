import { QueryCache, QueryClient } from "@tanstack/react-query";
import { HttpError, sayError } from "@ui/http";
import { toast } from "sonner";

/** A question that the server did not hear is asked once more; a refusal is a refusal. */
const mayRetry = (times: number, error: Error): boolean => times < 1 && error instanceof HttpError && error.status === 0;

/** What the bench has been answered. Keys hold route, store, state of the store and input, so an answer is never stale. */
export const answers = new QueryClient({
  queryCache: new QueryCache({
    // Figures beside a choice have no place for a reason; it is said once for each route.
    onError: (error, { meta, queryKey }) => {
      if (meta?.isFact) toast.error(sayError(error), { id: String(queryKey[0]) });
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

/** Asks some routes anew, since what they tell was changed by a call that is no edit of the draft. */
export function askAnew(...routes: string[]): Promise<void> {
  return answers.invalidateQueries({ predicate: ({ queryKey }) => routes.includes(String(queryKey[0])) });
}
