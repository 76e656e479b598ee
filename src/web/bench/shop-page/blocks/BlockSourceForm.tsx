import type { BlockSource } from "@core/settings/page/block";
import { Button, IconButton } from "@ui/Button";
import { Segments, Select } from "@ui/controls";
import { X } from "lucide-react";
import { useEffect, useState } from "react";
import { CategoryChoice, freeCategory } from "../../pieces/CategoryChoice";
import { Chosen } from "../../pieces/Chosen";
import { GuidesChoice } from "../../pieces/GuidesChoice";
import { ProductPicker } from "../../pieces/ProductPicker";
import { useOpen } from "../../state/bench";

type Kind = "same" | "selection" | "products" | "categories" | "pages";

const KINDS: readonly { value: Kind; label: string }[] = [
  { value: "same", label: "The same search elsewhere" },
  { value: "selection", label: "What sells best of a selection" },
  { value: "products", label: "Chosen products" },
  { value: "categories", label: "Categories" },
  { value: "pages", label: "Guides" },
];

const kindOf = (shows: BlockSource) => KINDS.find(({ value }) => value in shows)?.value ?? "same";

/** What a block is filled with. */
export function BlockSourceForm({ shows, onChange }: { shows: BlockSource; onChange: (shows: BlockSource) => void }) {
  const { front, settings } = useOpen("front", "settings");
  const [wanted, setWanted] = useState<Kind>(kindOf(shows));
  useEffect(() => setWanted(kindOf(shows)), [shows]);
  const selections = Object.entries(settings.selections).map(([value, { name }]) => ({ value, label: name }));
  const category = front.categories[0]?.path ?? ["–"];
  const choose = (kind: Kind) => {
    setWanted(kind);
    if (kind === "same") onChange({ same: { category } });
    if (kind === "categories") onChange({ categories: [category] });
    if (kind === "selection" && selections[0]) onChange({ selection: selections[0].value });
  };
  return (
    <div className="flex min-w-0 flex-1 flex-col gap-1.5">
      <Select label="What the block shows" value={wanted} options={KINDS} onChange={(kind) => choose(kind as Kind)} className="w-60" />
      {wanted === "selection" &&
        (selections.length === 0 ? (
          <p className="text-soft">There is no selection yet. Make one in Catalogue, under Selections.</p>
        ) : (
          <Select
            label="Selection"
            value={"selection" in shows ? shows.selection : ""}
            options={selections}
            onChange={(selection) => onChange({ selection })}
            className="w-60"
          />
        ))}
      {wanted === "same" && "same" in shows && (
        <span className="flex flex-wrap items-center gap-2">
          <Segments
            label="Where the same search is looked for"
            value={"category" in shows.same ? "category" : "selection"}
            options={[
              { value: "category", label: "in a category" },
              { value: "selection", label: "in a selection" },
            ]}
            onChange={(kind) => {
              if (kind === "category") onChange({ same: { category } });
              else if (selections[0]) onChange({ same: { selection: selections[0].value } });
            }}
          />
          {"category" in shows.same ? (
            <CategoryChoice
              value={shows.same.category}
              label="Category"
              onChange={(path) => onChange({ same: { category: path } })}
              className="w-44"
            />
          ) : (
            <Select
              label="Selection"
              value={shows.same.selection}
              options={selections}
              onChange={(selection) => onChange({ same: { selection } })}
              className="w-44"
            />
          )}
        </span>
      )}
      {wanted === "categories" && "categories" in shows && (
        <Paths paths={shows.categories} onChange={(categories) => onChange({ categories })} />
      )}
      {wanted === "products" && (
        <Products ids={"products" in shows ? shows.products : []} onChange={(products) => onChange({ products })} />
      )}
      {wanted === "pages" && (
        <GuidesChoice
          least={1}
          label="Add a guide to the block"
          ids={"pages" in shows ? shows.pages : []}
          onChange={(pages) => onChange({ pages })}
        />
      )}
    </div>
  );
}

function Paths({ paths, onChange }: { paths: string[][]; onChange: (paths: string[][]) => void }) {
  const { front } = useOpen("front");
  const free = freeCategory(front.categories, paths);
  return (
    <>
      {paths.map((path, i) => (
        <span key={path.join()} className="flex items-center gap-1.5">
          <CategoryChoice value={path} label={`Category ${i + 1}`} without={paths} onChange={(next) => onChange(paths.with(i, next))} />
          {paths.length > 1 && (
            <IconButton label={`Remove ${path.at(-1)}`} onClick={() => onChange(paths.toSpliced(i, 1))}>
              <X className="size-4" />
            </IconButton>
          )}
        </span>
      ))}
      {free && (
        <Button look="bare" className="self-start !px-0" onClick={() => onChange([...paths, free])}>
          + Category
        </Button>
      )}
    </>
  );
}

function Products({ ids, onChange }: { ids: string[]; onChange: (ids: string[]) => void }) {
  return (
    <>
      <Chosen
        items={ids.map((id) => ({ id, name: id }))}
        onRemove={(id) => ids.length > 1 && onChange(ids.filter((other) => other !== id))}
      />
      <ProductPicker label="Add a product to the block" onPick={({ id }) => !ids.includes(id) && onChange([...ids, id])} />
    </>
  );
}
