import { lookUp } from "@core/records";
import type { Condition } from "@core/settings/condition";
import { add, freeId, remove, set } from "@core/settings/patch";
import { Button, IconButton } from "@ui/Button";
import { TextLine } from "@ui/controls";
import { plural } from "@ui/format";
import { toast } from "@ui/toast";
import { ChevronDown, Trash2 } from "lucide-react";
import { useNavigate } from "react-router";
import { useFact } from "../../ask/useAsk";
import { Empty, Screen } from "../../frame/Screen";
import { useOpenRow } from "../../frame/useOpenRow";
import { ConditionBuilder } from "../../pieces/conditions/ConditionBuilder";
import { sayCondition } from "../../pieces/conditions/say-condition";
import { Diamond } from "../../pieces/Diamond";
import { useProducts } from "../../pieces/useProducts";
import { useBenchParts, useOpen } from "../../state/bench";
import { useTable } from "../products/state";

/** Conditions with a name, to be used in many places and changed in one. */
export default function Selections() {
  const { store, settings, live, fields } = useOpen("store", "settings", "live", "fields");
  const { edit } = useBenchParts("edit");
  const navigate = useNavigate();
  const [opened, setOpened] = useOpenRow();
  const counted = useFact("GET /api/stores/{store}/selections", {});
  const facts = new Map(counted?.map((entry) => [entry.id, entry]));
  const selections = Object.entries(settings.selections);
  const make = () => {
    const id = freeId(settings.selections, "selection");
    void edit([add(["selections", id], { name: "New selection", condition: { all: [] } })]);
    setOpened(id);
  };
  const drop = (id: string) => {
    const uses = facts.get(id)?.uses ?? [];
    if (uses.length > 0) toast.error(`It is used in ${uses.join(", ")}. Change that first.`);
    else void edit([remove(["selections", id])]);
  };
  return (
    <Screen
      title="Selections"
      lead="A part of the range with a name: “own brand”, “frost-tender”. Rules, filters and bulk changes use it, and follow when it changes."
      action={<Button onClick={make}>New selection</Button>}
    >
      {selections.length === 0 && <Empty>None yet. Make one of the products you often mean: a brand, a season, what is on sale.</Empty>}
      <ul className="border-t border-rule">
        {selections.map(([id, selection]) => (
          <li key={id} className="relative border-b border-rule py-1.5">
            {JSON.stringify(selection) !== JSON.stringify(lookUp(live.selections, id)) && (
              <Diamond className="absolute top-4 -left-[13px]" />
            )}
            <div className="flex items-center gap-2">
              {opened === id ? (
                <TextLine
                  label="Name of the selection"
                  value={selection.name}
                  className="min-w-0 flex-1 font-semibold"
                  onCommit={(name) => name.trim() && void edit([set(["selections", id, "name"], name.trim())])}
                />
              ) : (
                <button
                  type="button"
                  onClick={() => setOpened(id)}
                  className="min-w-0 flex-1 truncate text-left font-semibold hover:text-press"
                >
                  {selection.name}
                </button>
              )}
              <button
                type="button"
                className="text-[13px] text-press"
                onClick={() => {
                  useTable.getState().set({ search: "", condition: { selection: id } });
                  navigate(`/bench/${store.id}/catalogue/products`);
                }}
              >
                {facts.has(id) && plural(facts.get(id)?.products ?? 0, "product")}
              </button>
              <IconButton label={`Remove ${selection.name}`} onClick={() => drop(id)}>
                <Trash2 className="size-4" />
              </IconButton>
              <IconButton
                label={`Edit ${selection.name}`}
                aria-expanded={opened === id}
                onClick={() => setOpened(opened === id ? null : id)}
              >
                <ChevronDown className={`size-4 transition-transform ${opened === id ? "rotate-180" : ""}`} />
              </IconButton>
            </div>
            <p className="truncate text-[12.5px] text-soft">{sayCondition(selection.condition, fields, settings.selections)}</p>
            {(facts.get(id)?.uses.length ?? 0) > 0 && (
              <p className="truncate text-[12.5px] text-soft">Used in {facts.get(id)?.uses.join(", ")}</p>
            )}
            {opened === id && (
              <div className="mt-1 mb-2">
                <ConditionBuilder
                  value={selection.condition}
                  without={id}
                  onChange={(condition) => void edit([set(["selections", id, "condition"], condition)])}
                />
                <Samples condition={selection.condition} />
              </div>
            )}
          </li>
        ))}
      </ul>
    </Screen>
  );
}

/** A few of the products that a condition names, as one edits it. */
function Samples({ condition }: { condition: Condition }) {
  const found = useFact("POST /api/stores/{store}/conditions/count", { body: { condition } });
  const products = useProducts(found?.samples ?? []);
  if (!found) return null;
  return (
    <div className="mt-2 flex items-end gap-2">
      {found.samples.map((id) => {
        const product = products.get(id);
        return (
          <span key={id} className="w-14 text-[11px]/[13px]" title={product?.title}>
            <span className="block size-14 overflow-hidden rounded-[3px] bg-raised">
              {product?.picture && <img src={product.picture} alt="" className="size-full object-cover" />}
            </span>
            <span className="mt-0.5 block truncate border-t border-ink pt-0.5">{product?.title ?? id}</span>
          </span>
        );
      })}
      <span className="text-[12.5px] text-soft">{found.products === 0 ? "No product meets this." : plural(found.products, "product")}</span>
    </div>
  );
}
