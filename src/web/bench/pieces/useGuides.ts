import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { useOpen } from "../state/bench";

export interface GuideName {
  id: string;
  title: string;
}

/** The shop's guides and information pages by name. */
export function useGuides(): GuideName[] {
  const { store } = useOpen("store");
  const [guides, setGuides] = useState<GuideName[]>([]);
  useEffect(() => {
    call<GuideName[]>(`/api/stores/${encodeURIComponent(store.id)}/pages`).then(setGuides, () => undefined);
  }, [store.id]);
  return guides;
}
