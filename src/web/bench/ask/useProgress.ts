import { useQuery } from "@tanstack/react-query";
import { count } from "@ui/format";
import { ask } from "@ui/http";
import { useEffect, useState } from "react";
import { useBench } from "../state/bench";
import { answers } from "./client";

/** After how long something takes its time, and how often it is asked how far it is then, in ms. */
const PATIENCE = 1_000;
const ASKED_EVERY = 700;

/** How far the server is with what this page waits for longer than a moment, in words; null where that is not known. */
export function useProgress(): string | null {
  const store = useBench(({ open }) => open?.store.id);
  const [isLong, setIsLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(setIsLong, PATIENCE, true);
    return () => clearTimeout(timer);
  }, []);
  const { data } = useQuery(
    {
      queryKey: ["under way", store],
      queryFn: () => ask("GET /api/stores/{store}/under-way", { params: { store: store ?? "" } }),
      enabled: isLong && store !== undefined,
      refetchInterval: ASKED_EVERY,
      retry: false,
      gcTime: 0,
    },
    answers,
  );
  const asked = new Set(
    answers
      .getQueryCache()
      .findAll({ fetchStatus: "fetching" })
      .map(({ queryKey }) => queryKey[0]),
  );
  const own = data?.find(({ name }) => asked.has(name));
  return own ? `Looked through ${count(own.done)} of ${count(own.of)} ${own.what}` : null;
}
