import type { ProductFacts } from "@contract/products";
import type { Recommendations } from "@contract/recommendations";
import { lookUp } from "@core/records";
import { add, remove } from "@core/settings/patch";
import type { RelatedList, RelatedLists } from "@core/settings/related";
import { IconButton } from "@ui/Button";
import { count } from "@ui/format";
import { Plus, X } from "lucide-react";
import { useFact } from "../../ask/useAsk";
import { ProductsPicker } from "../../pieces/ProductsPicker";
import { SortableList, SortableRow } from "../../pieces/SortableList";
import { Ticked } from "../../pieces/Ticked";
import { useProducts } from "../../pieces/useProducts";
import { useBenchParts, useOpen } from "../../state/bench";
import { sayFacts } from "../arrange/Space";

interface Props {
  id: string;
  title: string;
  onClose: () => void;
}

const EMPTY: RelatedLists = { goesWith: [], insteadOf: [], automatic: true };
const SOURCES = { hand: "by hand", bought: "bought together", alike: "alike" } as const;
const HEADINGS: Record<RelatedList, string> = { goesWith: "Complements", insteadOf: "Alternatives" };

/** The two lists of a product: by hand in their order, then what fills them up. */
export function RecommendationLists({ id, title, onClose }: Props) {
  const { settings } = useOpen("settings");
  const { edit } = useBenchParts("edit");
  const answer = useFact("GET /api/stores/{store}/recommendations/{product}", { params: { product: id } });
  const lists = lookUp(settings.related, id) ?? EMPTY;
  const products = useProducts([
    ...(answer ? [...answer.goesWith, ...answer.insteadOf].map((entry) => entry.id) : []),
    ...lists.goesWith,
    ...lists.insteadOf,
  ]);
  const change = (part: Partial<RelatedLists>) => {
    const value = { ...lists, ...part };
    const isPlain = value.goesWith.length + value.insteadOf.length === 0 && value.automatic;
    if (isPlain) void edit(lookUp(settings.related, id) ? [remove(["related", id])] : []);
    else void edit([add(["related", id], value)]);
  };
  return (
    <section aria-label={`Recommendations of ${title}`} className="mt-3 border-y-2 border-ink py-2">
      <div className="flex items-center gap-2">
        <h2 className="min-w-0 flex-1 truncate text-[16px]/6">{title}</h2>
        {answer && answer.seen > 0 && (
          <span className="text-[12.5px] text-soft">
            seen {count(answer.seen)} times, led on {count(answer.led)}
          </span>
        )}
        <IconButton label="Close" onClick={onClose}>
          <X className="size-4" />
        </IconButton>
      </div>
      <div className="my-1 text-[13px]">
        <Ticked checked={lists.automatic} label="Filled up by itself" onChange={(automatic) => change({ automatic })}>
          Filled up by itself
        </Ticked>
      </div>
      {(["goesWith", "insteadOf"] as const).map((list) => (
        <OneList
          key={list}
          list={list}
          byHand={lists[list]}
          filled={(answer?.[list] ?? []).filter((entry) => entry.source !== "hand")}
          shown={answer?.[list] ?? null}
          products={products}
          onChange={(ids) => change({ [list]: ids })}
        />
      ))}
    </section>
  );
}

interface ListProps {
  list: RelatedList;
  byHand: readonly string[];
  filled: Recommendations["goesWith"];
  /** What shoppers see of the list; null until it is known. */
  shown: Recommendations["goesWith"] | null;
  products: ReadonlyMap<string, ProductFacts>;
  onChange: (ids: string[]) => void;
}

function OneList({ list, byHand, filled, shown, products, onChange }: ListProps) {
  const nameOf = (id: string) => products.get(id)?.title ?? id;
  const isShown = (id: string) => shown === null || shown.some((entry) => entry.id === id);
  const move = (id: string, place: number) => onChange(byHand.filter((other) => other !== id).toSpliced(place, 0, id));
  return (
    <div className="mt-2">
      <h3 className="text-[13.5px] font-semibold">{HEADINGS[list]}</h3>
      <SortableList ids={byHand} onMove={move}>
        {byHand.map((id) => (
          <SortableRow key={id} id={id} label={nameOf(id)} className="text-[13px]">
            {(handle) => (
              <div className="flex h-10 items-center gap-2">
                {handle}
                <Shown
                  facts={products.get(id)}
                  id={id}
                  note={
                    products.get(id)?.isGone
                      ? "no longer in the catalogue"
                      : isShown(id)
                        ? "by hand"
                        : "by hand, not shown: hidden or sold out"
                  }
                  isBad={!isShown(id)}
                />
                <IconButton label={`Remove ${nameOf(id)}`} onClick={() => onChange(byHand.filter((other) => other !== id))}>
                  <X className="size-4" />
                </IconButton>
              </div>
            )}
          </SortableRow>
        ))}
      </SortableList>
      <ul className="text-[13px]">
        {filled.map(({ id, source }) => (
          <li key={id} className="flex h-10 items-center gap-2 border-b border-rule pl-5 opacity-80">
            <Shown facts={products.get(id)} id={id} note={SOURCES[source]} />
            <IconButton label={`Keep ${nameOf(id)} here by hand`} onClick={() => onChange([...byHand, id])}>
              <Plus className="size-4" />
            </IconButton>
          </li>
        ))}
      </ul>
      {byHand.length + filled.length === 0 && <p className="border-b border-rule py-1.5 text-[13px] text-soft">Nothing here.</p>}
      <div className="mt-1.5">
        <ProductsPicker
          label={`Products for “${HEADINGS[list]}”`}
          placeholder="Add products"
          deeds={[{ verb: "Add", act: (picked) => onChange([...new Set([...byHand, ...picked.map(({ id }) => id)])]) }]}
        />
      </div>
    </div>
  );
}

function Shown({ id, facts, note, isBad = false }: { id: string; facts: ProductFacts | undefined; note: string; isBad?: boolean }) {
  return (
    <>
      <span className="size-8 shrink-0 overflow-hidden rounded-[3px] bg-raised">
        {facts?.picture && <img src={facts.picture} alt="" className="size-full object-cover" />}
      </span>
      <div className="min-w-0 flex-1">
        <p className="truncate font-semibold">{facts?.title ?? id}</p>
        <p className={`truncate text-[12px]/4 ${isBad ? "text-loss" : "text-soft"}`}>
          {[note, sayFacts(facts)].filter(Boolean).join(" · ")}
        </p>
      </div>
    </>
  );
}
