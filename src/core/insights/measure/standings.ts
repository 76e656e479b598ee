import type { Searcher } from "../../prepare/searcher";
import { counted } from "../../progress";
import { type AskedQuery, outcomeOf } from "./trial";

/** A search that shows a product on its first page. */
export interface Standing {
  search: string;
  asked: number;
  position: number;
}

/** By product the searches whose first page it is on, in the order of the searches. It comes in steps. */
export function* standingsIn(searcher: Searcher, queries: readonly AskedQuery[], at: number): Generator<unknown, Map<string, Standing[]>> {
  const standings = new Map<string, Standing[]>();
  for (const [{ text, asked }, progress] of counted(queries, "searches")) {
    outcomeOf(searcher, text, at).first.forEach((id, place) => {
      const own = standings.get(id) ?? [];
      own.push({ search: text, asked, position: place + 1 });
      standings.set(id, own);
    });
    yield progress;
  }
  return standings;
}
