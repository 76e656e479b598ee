import type { Value } from "@core/catalogue/types";
import type { Condition } from "@core/settings/condition";
import { call } from "@ui/http";
import { toast } from "sonner";
import { person, useBench } from "../../state/bench";

export interface BulkChange {
  addTags?: string[];
  removeTags?: string[];
  set?: Record<string, Value | null>;
  dropFields?: string[];
  boost?: number | null;
  hide?: boolean;
  drop?: boolean;
}

type Which = { ids: string[] } | { search: string; condition: Condition | null; except: string[] };

/** The chosen products as the server is told of them: by their ids, or as all that were found but some. */
export function whichOf(table: { chosen: { all: boolean; ids: ReadonlySet<string> }; search: string; condition: Condition | null }): Which {
  const ids = [...table.chosen.ids];
  return table.chosen.all ? { search: table.search, condition: table.condition, except: ids } : { ids };
}

/** Changes many products in one step, which one undo takes back; `dry` only counts. */
export async function changeMany(
  store: string,
  which: Which,
  change: BulkChange,
  dry: boolean,
): Promise<{ products: number; changed: number }> {
  const answer = await call<{ products: number; changed: number; revision: number }>(
    `/api/stores/${encodeURIComponent(store)}/products/bulk`,
    {
      body: { which, change, dry },
      headers: { "x-person": encodeURIComponent(person.get()) },
    },
  );
  if (!dry) {
    await useBench.getState().refresh();
    toast(`${answer.changed} ${answer.changed === 1 ? "product" : "products"} changed in the draft.`, {
      action: { label: "Undo", onClick: () => void useBench.getState().undo() },
    });
  }
  return answer;
}
