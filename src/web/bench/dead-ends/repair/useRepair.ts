import type { Cause } from "@core/repair/case";
import type { RepairEntry, RepairKind } from "@core/repair/repair";
import { call, HttpError } from "@ui/http";
import { useCallback, useEffect, useState } from "react";
import { toast } from "sonner";
import { useAnswer } from "../../pieces/useAnswer";
import { useOpen } from "../../state/bench";

export interface Case {
  text: string;
  texts: { text: string; asked: number }[];
  cause: Cause;
  asked: number;
  lost: number;
  since: string;
  lastAt: string;
  next: { text: string; times: number }[];
  total: number;
  weak: string[];
  corrected: string | null;
}

export interface Aside {
  text: string;
  reason: string;
  by: string;
  at: string;
  asked: number;
  lost: number;
}

export interface RepairOverview {
  searches: number;
  lostLive: number;
  lostDraft: number;
  cases: Case[];
  count: number;
  aside: Aside[];
}

export interface ProposedRepair {
  kind: RepairKind;
  reason: string;
  entry: RepairEntry;
  outcome: string;
  total: number;
  titles: string[];
  worth: number;
}

/** The searches that fail in the draft; asked for anew when the draft changes. */
export function useRepair(): { overview: RepairOverview | null; reload: () => void } {
  const [turn, setTurn] = useState(0);
  return { overview: useAnswer<RepairOverview>("repair", turn), reload: useCallback(() => setTurn((count) => count + 1), []) };
}

const AT_ONCE = 6;

/** What could be done about some searches, by text; those asked for first come first. */
export function useProposals(texts: readonly string[]): ReadonlyMap<string, ProposedRepair[]> {
  const { store, revision } = useOpen("store", "revision");
  const [found, setFound] = useState<{ revision: number; byText: ReadonlyMap<string, ProposedRepair[]> }>({ revision, byText: new Map() });
  const known = found.revision === revision ? found.byText : new Map<string, ProposedRepair[]>();
  const missing = texts
    .filter((text) => !known.has(text))
    .slice(0, AT_ONCE)
    .join("\n");
  useEffect(() => {
    if (missing === "") return;
    const controller = new AbortController();
    call<{ cases: { text: string; repairs: ProposedRepair[] }[] }>(`/api/stores/${encodeURIComponent(store.id)}/repair/proposals`, {
      body: { texts: missing.split("\n") },
      signal: controller.signal,
    }).then(
      ({ cases }) =>
        setFound((old) => ({
          revision,
          byText: new Map([
            ...(old.revision === revision ? old.byText : []),
            ...cases.map(({ text, repairs }) => [text, repairs] as const),
          ]),
        })),
      () => undefined,
    );
    return () => controller.abort();
  }, [missing, store.id, revision]);
  return known;
}

/** Puts a search aside with a reason, or takes it back. */
export async function setAside(store: string, text: string, reason: string | null): Promise<boolean> {
  const base = `/api/stores/${encodeURIComponent(store)}/repair/aside`;
  try {
    if (reason === null) await call(`${base}/${encodeURIComponent(text)}`, { method: "DELETE" });
    else await call(base, { body: { text, reason } });
    return true;
  } catch (error) {
    toast.error(error instanceof HttpError ? error.message : "That could not be kept. Try again.");
    return false;
  }
}
