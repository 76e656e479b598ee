import type { BodyOf } from "@contract/route";
import type { AllRoutes } from "@contract/routes";
import type { Condition } from "@core/settings/condition";
import { ask } from "@ui/http";
import { toast } from "@ui/toast";
import { useBench } from "../../state/bench";
import { asPerson } from "../../state/person";

type Body = BodyOf<AllRoutes["POST /api/stores/{store}/products/bulk"]>;
export type BulkChange = Body["change"];
type Which = Body["which"];

/** The chosen products as the server is told of them: by their ids, or as all that were found but some. */
export function whichOf(table: { chosen: { all: boolean; ids: ReadonlySet<string> }; search: string; condition: Condition | null }): Which {
  const ids = [...table.chosen.ids];
  return table.chosen.all ? { search: table.search, condition: table.condition, except: ids } : { ids };
}

/** Changes many products in one step, which one undo takes back. */
export async function changeMany(store: string, which: Which, change: BulkChange): Promise<void> {
  const { changed } = await ask("POST /api/stores/{store}/products/bulk", {
    params: { store },
    body: { which, change },
    headers: asPerson(),
  });
  await useBench.getState().refresh();
  toast(`${changed} ${changed === 1 ? "product" : "products"} changed in the draft.`, {
    action: { label: "Undo", onClick: () => void useBench.getState().undo() },
  });
}
