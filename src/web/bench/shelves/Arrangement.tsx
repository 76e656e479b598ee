import { Button, IconButton } from "@ui/Button";
import { ArrowDown, ArrowUp, X } from "lucide-react";
import { Empty, Section } from "../frame/Screen";
import { ProductPicker } from "../pieces/ProductPicker";
import { type ProductFacts, useProducts } from "../pieces/useProducts";
import { useWindowParts } from "../state/window";
import { shelfActions as actions, useShelfTarget } from "../window/shelf-actions";

/** The arrangement of the search being tried: pins in order, what is raised, lowered and kept out. */
export function Arrangement() {
  const { draft } = useWindowParts("draft");
  const { shelf, target } = useShelfTarget();
  const pins = Object.entries(shelf?.pins ?? {}).sort((a, b) => a[1] - b[1]);
  const strengths = Object.entries(shelf?.strength ?? {}).sort((a, b) => b[1] - a[1]);
  const excluded = shelf?.exclude ?? [];
  const products = useProducts([...pins.map(([id]) => id), ...strengths.map(([id]) => id), ...excluded]);
  const name = target.search ? `“${target.search}”` : (target.category?.join(" › ") ?? "everything");
  const other = draft?.shelf && draft.shelf.id !== shelf?.id ? draft.shelf : null;
  return (
    <Section title={`Arranged for ${name}`} note={other && `here the shelf “${other.name}” acts`}>
      <div className="flex items-center gap-2 border-y border-rule py-2">
        <span className="whitespace-nowrap text-[13px]">Put at the front</span>
        <div className="flex-1">
          <ProductPicker label={`Product to pin for ${name}`} onPick={(product) => actions.pin(product.id, pins.length + 1)} />
        </div>
      </div>
      {pins.length + strengths.length + excluded.length === 0 && (
        <Empty>Nothing arranged for this search: products stand where their match puts them.</Empty>
      )}
      <ol>
        {pins.map(([id, place], i) => (
          <Line
            key={id}
            product={products.get(id)}
            id={id}
            lead={
              <input
                aria-label={`Place of ${products.get(id)?.title ?? id}`}
                type="number"
                min={1}
                max={10000}
                value={place}
                onChange={(event) => Number(event.target.value) >= 1 && actions.pin(id, Number(event.target.value))}
                className="h-7 w-12 rounded border border-rule bg-raised px-1 text-right font-semibold"
              />
            }
            note={products.get(id)?.stock === 0 ? "pinned and sold out" : "pinned"}
            isBad={products.get(id)?.stock === 0}
          >
            <IconButton
              label={`Pin ${products.get(id)?.title ?? id} one place earlier`}
              disabled={place <= 1}
              onClick={() => actions.pin(id, place - 1)}
            >
              <ArrowUp className="size-4" />
            </IconButton>
            <IconButton
              label={`Pin ${products.get(id)?.title ?? id} one place later`}
              onClick={() => actions.pin(id, place + 1)}
              data-last={i === pins.length - 1}
            >
              <ArrowDown className="size-4" />
            </IconButton>
            <IconButton label={`Unpin ${products.get(id)?.title ?? id}`} onClick={() => actions.unpin(id)}>
              <X className="size-4" />
            </IconButton>
          </Line>
        ))}
        {strengths.map(([id, factor]) => (
          <Line
            key={id}
            product={products.get(id)}
            id={id}
            lead={
              <span className={`w-12 text-right font-semibold ${factor > 1 ? "text-gain" : "text-loss"}`}>{factor > 1 ? "▲" : "▼"}</span>
            }
            note={`${factor > 1 ? "raised" : "lowered"} by ${Math.abs(Math.round((factor - 1) * 100))} %`}
          >
            <Button
              onClick={() => actions.clearStrength(id)}
              aria-label={`No longer ${factor > 1 ? "raise" : "lower"} ${products.get(id)?.title ?? id}`}
            >
              As it was
            </Button>
          </Line>
        ))}
        {excluded.map((id) => (
          <Line
            key={id}
            product={products.get(id)}
            id={id}
            lead={<span className="w-12 text-right text-loss">✕</span>}
            note="kept out of this search"
          >
            <Button onClick={() => actions.readmit(id)} aria-label={`Let ${products.get(id)?.title ?? id} back in`}>
              Let it back in
            </Button>
          </Line>
        ))}
      </ol>
    </Section>
  );
}

interface LineProps {
  product: ProductFacts | undefined;
  id: string;
  lead: React.ReactNode;
  note: string;
  isBad?: boolean;
  children: React.ReactNode;
}

export function Line({ product, id, lead, note, isBad, children }: LineProps) {
  return (
    <li className="flex min-h-11 items-center gap-3 border-b border-rule py-1.5">
      {lead}
      <span className="size-9 shrink-0 overflow-hidden rounded-[3px] bg-raised">
        {product?.picture && <img src={product.picture} alt="" className="size-full object-cover" />}
      </span>
      <div className="min-w-0 flex-1">
        <p className="truncate font-semibold">{product?.title ?? id}</p>
        <p className={`text-[12.5px]/4 ${isBad || product?.isGone ? "text-loss" : "text-soft"}`}>
          {product?.isGone ? "no longer in the catalogue" : note}
          {product?.stock !== null && product?.stock !== undefined && ` · ${product.stock} in stock`}
          {product?.sold !== null && product?.sold !== undefined && ` · ${product.sold} sold`}
        </p>
      </div>
      {children}
    </li>
  );
}
