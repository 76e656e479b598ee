import type { Job, JobInList } from "@contract/feed";
import { useQuery } from "@tanstack/react-query";
import { ask, type HttpError } from "@ui/http";
import { useEffect, useRef } from "react";
import { askAnew } from "../../ask/client";
import { askStore, keyOf, useFact } from "../../ask/useAsk";
import { useBenchParts, useOpen } from "../../state/bench";

const JOBS = "GET /api/stores/{store}/jobs";
const POLL_EVERY = 250;

/** The latest jobs of the store, looked at again as long as one is under way; when one ends, the bench learns what the catalogue now holds. */
export function useJobs() {
  const { store } = useOpen("store");
  const { reload } = useBenchParts("reload");
  const query = useQuery<JobInList[], HttpError>({
    queryKey: keyOf(JOBS, store.id, null, {}),
    queryFn: ({ signal }) => askStore(JOBS, store.id, {}, signal),
    // Another tab may have begun one.
    staleTime: 0,
    refetchInterval: ({ state }) => (state.data?.[0]?.state === "running" ? POLL_EVERY : false),
  });
  const latest = query.data?.[0];
  const running = useRef<string | null>(null);
  useEffect(() => {
    if (latest?.state === "running") running.current = latest.id;
    else if (latest && running.current === latest.id) {
      running.current = null;
      if (latest.state === "done" && !latest.result?.dry) void reload();
    }
  }, [latest, reload]);
  return query;
}

/** Looks again at once, since a job was begun, confirmed or cancelled. */
export const lookAgain = () => askAnew(JOBS);

/** The problems of a job by line; null until they are known. */
export function useProblems(job: JobInList): Job["problems"] | null {
  const isAsked = job.problemCount > 0 && job.state !== "running";
  const query = useQuery({
    queryKey: ["GET /api/jobs/{job}", job.id, job.state],
    queryFn: ({ signal }) => ask("GET /api/jobs/{job}", { params: { job: job.id }, signal }),
    enabled: isAsked,
    meta: { isFact: true },
  });
  return isAsked ? (query.data?.problems ?? null) : null;
}

/** What is remembered of the feeds; null until it is known. */
export const useMemory = () => useFact("GET /api/stores/{store}/feed/memory", {}, { of: "store" });
