import { cameOf } from "@core/measure/trial";
import type { Store } from "../engine/store";
import { inSlices } from "../slices";
import { oncePerState } from "./once";

/** A frequent search that shows a product on its first page. */
export interface Standing {
  search: string;
  asked: number;
  position: number;
}

const MOST_SEARCHES = 400;
async function workOut(store: Store): Promise<ReadonlyMap<string, Standing[]>> {
  const { searcher } = store.searcher("draft");
  const at = Date.now();
  const standings = new Map<string, Standing[]>();
  await inSlices(
    (function* () {
      for (const { text, asked } of store.log.stats.queries.slice(0, MOST_SEARCHES)) {
        cameOf(searcher, text, at).first.forEach((id, place) => {
          const own = standings.get(id) ?? [];
          own.push({ search: text, asked, position: place + 1 });
          standings.set(id, own);
        });
        yield;
      }
    })(),
  );
  return standings;
}

/** By product the most asked searches whose first page it stands on, in the draft; worked out once for each state of it. */
export const standingsOf = oncePerState(workOut);
