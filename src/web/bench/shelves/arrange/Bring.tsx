import { lookUp } from "@core/records";
import type { Shelf } from "@core/settings/shelf";
import { brought, grouped, pinned } from "@core/shelves/edit";
import { Button, IconButton } from "@ui/Button";
import { plural } from "@ui/format";
import { X } from "lucide-react";
import { ProductsPicker } from "../../pieces/ProductsPicker";
import { useReach } from "../../ranking/boosts/useReach";
import { useOpen } from "../../state/bench";

interface Props {
  shelf: Shelf | null;
  onChange: (how: (shelf: Shelf) => Shelf) => void;
}

/** Brings products and whole selections to the shelf, whether or not they match. */
export function Bring({ shelf, onChange }: Props) {
  const { settings } = useOpen("settings");
  const selections = Object.entries(settings.selections).filter(([id]) => !shelf?.addSelections.includes(id));
  const next =
    1 +
    Math.max(
      0,
      ...Object.values(shelf?.pins ?? {}),
      ...Object.values(shelf?.pinGroups ?? {}).map((group) => group.place + group.products.length - 1),
    );
  return (
    <section aria-label="Add to the shelf" className="mt-3">
      <div>
        <ProductsPicker
          label="Products to bring to the shelf"
          placeholder="Add products, matching or not"
          deeds={[
            {
              verb: "Pin",
              act: (products) =>
                onChange((own) =>
                  products.length === 1
                    ? pinned(own, products[0].id, next)
                    : grouped(
                        own,
                        products.map(({ id }) => id),
                        next,
                      ),
                ),
            },
            {
              verb: "Add",
              act: (products) =>
                onChange((own) =>
                  brought(
                    own,
                    products.map(({ id }) => id),
                  ),
                ),
            },
          ]}
        />
        {(shelf?.addSelections ?? []).map((id) => (
          <AddedSelection
            key={id}
            id={id}
            onRemove={() => onChange((own) => ({ ...own, addSelections: own.addSelections.filter((other) => other !== id) }))}
          />
        ))}
        {selections.length > 0 && (
          <p className="mt-1.5 flex flex-wrap items-center gap-x-3 text-[13px]">
            <span className="text-soft">or a whole selection</span>
            {selections.map(([id, { name }]) => (
              <Button
                key={id}
                look="bare"
                className="!px-0 !text-press"
                onClick={() => onChange((own) => ({ ...own, addSelections: [...own.addSelections, id] }))}
              >
                {name}
              </Button>
            ))}
          </p>
        )}
      </div>
    </section>
  );
}

function AddedSelection({ id, onRemove }: { id: string; onRemove: () => void }) {
  const { settings } = useOpen("settings");
  const selection = lookUp(settings.selections, id);
  const reach = useReach(selection ? { condition: { selection: id } } : null);
  const name = selection?.name ?? id;
  return (
    <p className="mt-1.5 flex h-7 items-center gap-2 border-b border-rule text-[13px]">
      <b className="font-semibold">{name}</b>
      <span className={selection ? "text-soft" : "text-loss"}>
        {selection ? reach && `all ${plural(reach.products, "product")} added` : "this selection is gone"}
      </span>
      <IconButton label={`No longer add ${name}`} onClick={onRemove} className="ml-auto">
        <X className="size-4" />
      </IconButton>
    </p>
  );
}
