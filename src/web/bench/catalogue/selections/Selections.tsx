import type { Condition } from "@core/settings/condition";
import { freeId, pointerKey } from "@core/shelves/edit";
import { Button, IconButton } from "@ui/Button";
import { TextLine } from "@ui/controls";
import { plural } from "@ui/format";
import { call } from "@ui/http";
import { ChevronDown, Trash2 } from "lucide-react";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { toast } from "sonner";
import { Empty, Screen } from "../../frame/Screen";
import { Diamond } from "../../frame/TopBar";
import { ConditionBuilder } from "../../pieces/conditions/ConditionBuilder";
import { sayCondition } from "../../pieces/conditions/say-condition";
import { useProducts } from "../../pieces/useProducts";
import { useBench, useBenchParts, useOpen } from "../../state/bench";
import { useTable } from "../products/state";

interface Facts {
  id: string;
  name: string;
  products: number;
  uses: string[];
}

/** Conditions with a name, to be used in many places and changed in one. */
export default function Selections() {
  const { store, settings, live, fields, revision } = useOpen("store", "settings", "live", "fields", "revision");
  const { edit } = useBenchParts("edit");
  const navigate = useNavigate();
  const [facts, setFacts] = useState<Map<string, Facts>>(new Map());
  const [opened, setOpened] = useState<string | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: counts change with the draft
  useEffect(() => {
    call<Facts[]>(`/api/stores/${store.id}/selections`).then(
      (all) => setFacts(new Map(all.map((entry) => [entry.id, entry]))),
      () => undefined,
    );
  }, [store.id, revision]);
  const selections = Object.entries(settings.selections);
  const add = () => {
    const id = freeId(settings.selections, "selection");
    void edit([{ op: "add", path: `/selections/${pointerKey(id)}`, value: { name: "New selection", condition: { all: [] } } }]);
    setOpened(id);
  };
  const remove = (id: string) => {
    const uses = facts.get(id)?.uses ?? [];
    void edit([{ op: "remove", path: `/selections/${pointerKey(id)}` }]);
    if (uses.length > 0)
      toast(`It was used in ${uses.join(", ")}, which now name no product by it.`, {
        action: { label: "Undo", onClick: () => void useBench.getState().undo() },
      });
  };
  return (
    <Screen
      title="Selections"
      lead="A part of the range with a name: “own brand”, “frost-tender”. Rules, filters and bulk changes use it, and follow when it changes."
      action={<Button onClick={add}>New selection</Button>}
    >
      {selections.length === 0 && <Empty>None yet. Make one of the products you often mean: a brand, a season, what is on sale.</Empty>}
      <ul className="border-t border-rule">
        {selections.map(([id, selection]) => (
          <li key={id} className="relative border-b border-rule py-1.5">
            {JSON.stringify(selection) !== JSON.stringify(live.selections[id]) && <Diamond className="absolute top-4 -left-[13px]" />}
            <div className="flex items-center gap-2">
              {opened === id ? (
                <TextLine
                  label="Name of the selection"
                  value={selection.name}
                  className="min-w-0 flex-1 font-semibold"
                  onCommit={(name) =>
                    name.trim() && void edit([{ op: "replace", path: `/selections/${pointerKey(id)}/name`, value: name.trim() }])
                  }
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
              <IconButton label={`Remove ${selection.name}`} onClick={() => remove(id)}>
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
                  onChange={(condition) =>
                    void edit([{ op: "replace", path: `/selections/${pointerKey(id)}/condition`, value: condition }])
                  }
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
  const { store } = useOpen("store");
  const [found, setFound] = useState<{ products: number; samples: string[] } | null>(null);
  const key = JSON.stringify(condition);
  useEffect(() => {
    let isCurrent = true;
    call<{ products: number; samples: string[] }>(`/api/stores/${store.id}/conditions/count`, {
      body: { condition: JSON.parse(key) },
    }).then(
      (answer) => isCurrent && setFound(answer),
      () => undefined,
    );
    return () => {
      isCurrent = false;
    };
  }, [key, store.id]);
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
