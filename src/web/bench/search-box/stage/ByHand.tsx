import { lookUp } from "@core/records";
import type { OfferedSearch } from "@core/settings/box/block";
import { freeId } from "@core/settings/patch";
import { rankAt, rankBehind } from "@core/settings/rank";
import { inRankOrder } from "@core/settings/ranked";
import { IconButton } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { CalendarDays, X } from "lucide-react";
import { useState } from "react";
import { AddLine } from "../../pieces/AddLine";
import { ProductLine } from "../../pieces/ProductLine";
import { ProductPicker } from "../../pieces/ProductPicker";
import { SortableList, SortableRow } from "../../pieces/SortableList";
import { useProducts } from "../../pieces/useProducts";
import { ZonedSpan } from "../../pieces/ZonedSpan";
import { useOpen } from "../../state/bench";
import { useWordCounts } from "../../words/useWordCounts";

type Searches = Record<string, OfferedSearch>;

/** Searches by hand: in their order, each with its dates, and with what it finds now. */
export function HandSearches({ list, onChange }: { list: Searches; onChange: (list: Searches) => Promise<boolean> }) {
  const { store } = useOpen("store");
  const [open, setOpen] = useState<string | null>(null);
  const entries = inRankOrder(list);
  const counts = useWordCounts(entries.map(([, entry]) => entry.text));
  const change = (id: string, part: Partial<OfferedSearch>) => onChange({ ...list, [id]: { ...lookUp(list, id), ...part } });
  const add = (text: string) =>
    // One that is there already is there.
    entries.some(([, entry]) => entry.text === text) ||
    onChange({ ...list, [freeId(list, text)]: { text, rank: rankBehind(list), on: true, from: null, until: null } });
  return (
    <div>
      <SortableList ids={entries.map(([id]) => id)} onMove={(id, place) => change(id, { rank: rankAt(list, id, place) })}>
        {entries.map(([id, entry]) => (
          <SortableRow key={id} id={id} label={entry.text} className="!bg-raised">
            {(handle) => (
              <>
                <div className="flex h-8 items-center gap-1.5">
                  {handle}
                  <span className={`min-w-0 flex-1 truncate ${entry.on ? "" : "text-soft line-through"}`}>{entry.text}</span>
                  <small className={counts.get(entry.text) === 0 ? "text-loss" : "text-soft"}>
                    {counts.get(entry.text) === 0 ? "finds nothing: not shown" : counts.get(entry.text)}
                  </small>
                  <IconButton
                    label={`Dates of ${entry.text}`}
                    aria-expanded={open === id}
                    onClick={() => setOpen(open === id ? null : id)}
                    className={`!size-6 ${entry.from || entry.until ? "!text-press" : ""}`}
                  >
                    <CalendarDays className="size-3.5" />
                  </IconButton>
                  <Toggle checked={entry.on} label={`${entry.text}: on`} onChange={(on) => change(id, { on })} />
                  <IconButton
                    label={`Remove ${entry.text}`}
                    className="!size-6"
                    onClick={() => {
                      const { [id]: _gone, ...others } = list;
                      onChange(others);
                    }}
                  >
                    <X className="size-3.5" />
                  </IconButton>
                </div>
                {open === id && (
                  <div className="flex flex-wrap gap-2 pb-2 pl-5">
                    <ZonedSpan value={entry} timeZone={store.timeZone} onChange={({ from, until }) => change(id, { from, until })} />
                  </div>
                )}
              </>
            )}
          </SortableRow>
        ))}
      </SortableList>
      <AddLine label="Search to offer" placeholder="spring bulbs" className="mt-1.5" onAdd={add} />
    </div>
  );
}

const MOST_PRODUCTS = 50;

export function HandProducts({ products, onChange }: { products: readonly string[]; onChange: (products: string[]) => void }) {
  const facts = useProducts(products);
  return (
    <div>
      {products.length < MOST_PRODUCTS && (
        <ProductPicker
          label="Product to show in the box"
          picked={products}
          onPick={({ id }) => onChange(products.includes(id) ? products.filter((other) => other !== id) : [...products, id])}
        />
      )}
      <ol className="mt-1">
        {products.map((id, place) => (
          <ProductLine key={id} id={id} product={facts.get(id)} lead={place + 1} note="by hand">
            <IconButton label={`Remove ${facts.get(id)?.title ?? id}`} onClick={() => onChange(products.filter((other) => other !== id))}>
              <X className="size-4" />
            </IconButton>
          </ProductLine>
        ))}
      </ol>
    </div>
  );
}
