import type { Repair } from "@contract/no-results";
import type { Cause } from "@core/insights/repair/case";
import { ask, sayError } from "@ui/http";
import { toast } from "@ui/toast";
import { askAnew } from "../../ask/client";
import { askStore, useAsk } from "../../ask/useAsk";
import { useBatch } from "../../ask/useBatch";
import { useOpen } from "../../state/bench";
import { asPerson } from "../../state/person";

const OVERVIEW = "GET /api/stores/{store}/repair";
const PROPOSALS = "POST /api/stores/{store}/repair/proposals";

/** How often one looks how far it is, in ms. */
const EVERY = 500;

/** The searches that fail in the draft, of one cause or of all; as many as are found yet. */
export const useRepair = (cause: Cause | null) =>
  useAsk(OVERVIEW, { query: cause ? { cause } : {} }, { again: (answer) => (answer?.progress ? EVERY : false) });

/** What could be done about some searches, by text, as far as it is known; those named first come first. */
export function useProposals(texts: readonly string[]): ReadonlyMap<string, Repair[]> {
  const { revision } = useOpen("revision");
  return useBatch({
    route: PROPOSALS,
    state: revision,
    ids: texts,
    atOnce: 6,
    load: async (store, part, signal) => {
      const { cases } = await askStore(PROPOSALS, store, { body: { texts: part } }, signal);
      return cases.map(({ text, repairs }) => [text, repairs] as const);
    },
  });
}

/** Ignores a failing search, with a reason, or takes it back. @returns whether it was kept. */
export async function ignoreSearch(store: string, text: string, reason: string | null): Promise<boolean> {
  try {
    if (reason === null) await ask("DELETE /api/stores/{store}/repair/aside/{text}", { params: { store, text } });
    else await ask("POST /api/stores/{store}/repair/aside", { params: { store }, body: { text, reason }, headers: asPerson() });
    await askAnew(OVERVIEW);
    return true;
  } catch (error) {
    toast.error(sayError(error, "That could not be kept. Try again."));
    return false;
  }
}
