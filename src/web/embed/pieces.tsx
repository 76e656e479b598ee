import type { ProductCard } from "@core/search/request";
import { call } from "@ui/http";
import { useEffect, useRef, useState } from "react";
import { useStore } from "zustand";
import { START } from "../shop/address";
import { Card } from "../shop/card/Card";
import { Chips } from "../shop/filters/Chips";
import { FilterPanel } from "../shop/filters/FilterPanel";
import { Heading } from "../shop/Heading";
import { usePlaces } from "../shop/links";
import { Results } from "../shop/results/Results";
import { SearchBox } from "../shop/SearchBox";
import { useTexts } from "../shop/texts";
import { record } from "../shop/visit";
import type { Group } from "./group";
import type { Piece } from "./piece";

interface Props {
  group: Group;
  piece: Piece;
}

/** The search box; its results stand in the page, in a layer over it, or on a page of their own. */
export function BoxPiece({ group, piece }: Props) {
  const { front, client, address, go, openLayer } = useStore(group);
  const places = usePlaces();
  if (!front || !client) return null;
  const follow = (to: string | undefined) => {
    if (to !== undefined) location.assign(to);
  };
  const search = (query: string, category: string[] | null) => {
    if (piece.results.kind === "page") {
      const target = new URL(piece.results.address, location.href);
      target.searchParams.set(`${piece.group ? `${piece.group}.` : ""}q`, query);
      return location.assign(target);
    }
    go({ ...START, query, category });
    if (piece.results.kind === "layer") openLayer(true);
  };
  return (
    <>
      <SearchBox
        client={client}
        front={front}
        value={address.query}
        category={address.category?.join("/") === piece.category?.join("/") ? null : address.category}
        limit={piece.category}
        within={piece.within}
        onSearch={search}
        onCategory={(path) => (places.category(path) ? follow(places.category(path)) : go({ ...START, category: path }))}
        onProduct={(id) => follow(places.product(id))}
        onPage={(id) => follow(places.guide(id))}
      />
      {piece.results.kind === "layer" && <Layer group={group} piece={piece} />}
    </>
  );
}

/** Results over the page; Escape or the button closes them, and what had the focus has it again. */
function Layer({ group, piece }: Props) {
  const t = useTexts();
  const dialog = useRef<HTMLDialogElement>(null);
  const { isLayerOpen, openLayer } = useStore(group);
  useEffect(() => {
    if (isLayerOpen) dialog.current?.showModal();
    else dialog.current?.close();
  }, [isLayerOpen]);
  return (
    <dialog
      ref={dialog}
      part="layer"
      aria-label={t("results.products")}
      onClose={() => isLayerOpen && openLayer(false)}
      className="fixed inset-0 m-auto h-[92vh] w-[min(1180px,94vw)] max-w-none overflow-auto rounded-shop border border-rule bg-paper p-5 text-ink backdrop:bg-black/40"
    >
      <button type="button" part="layer-close" onClick={() => openLayer(false)} className="t-s float-right font-semibold text-press">
        {t("layer.close")}
      </button>
      <ResultsPiece group={group} piece={piece} hasFilters />
    </dialog>
  );
}

/** The results of the group's search. @param hasFilters whether filters stand with them; elsewhere on the page when not. */
export function ResultsPiece({ group, hasFilters }: Props & { hasFilters: boolean }) {
  const { base, front, answer, address, failure, isAsked, go } = useStore(group);
  if (failure) return <p role="alert">{failure}</p>;
  if (!front || !answer || !isAsked) return null;
  return (
    <Results
      answer={answer}
      front={front}
      address={address}
      onChange={go}
      hasFilters={hasFilters}
      onOpenProduct={(hit) =>
        record(base, { kind: "click", searchId: answer.searchId, query: address.query, product: hit.id, position: hit.position })
      }
      heading={
        <Heading
          front={front}
          address={address}
          answer={answer}
          onSearch={(query) => go({ ...START, query, category: address.category })}
          onAsTyped={() => go({ ...address, page: 1, asTyped: true })}
        />
      }
    />
  );
}

/** The filters of the group's search, in a place of their own. */
export function FiltersPiece({ group }: Props) {
  const { front, answer, address, isAsked, go } = useStore(group);
  if (!front || !answer || !isAsked || answer.filters.length === 0) return null;
  const panel = { filters: answer.filters, address, front, onChange: go };
  return (
    <div className="flex flex-col gap-3">
      <Chips {...panel} />
      <FilterPanel {...panel} />
    </div>
  );
}

interface Related {
  goesWith: ProductCard[];
  insteadOf: ProductCard[];
}

/** What goes with a product, and what could be taken instead. */
export function RelatedPiece({ group, piece: { product } }: Props) {
  const t = useTexts();
  const places = usePlaces();
  const { base, front } = useStore(group);
  const [related, setRelated] = useState<Related | null>(null);
  useEffect(() => {
    if (product) call<Related>(`${base}/related/${encodeURIComponent(product)}`).then(setRelated, () => setRelated(null));
  }, [base, product]);
  if (!front || !related) return null;
  const rows = [
    { title: t("product.goes-with"), products: related.goesWith },
    { title: t("product.instead"), products: related.insteadOf },
  ];
  return (
    <div className="@container flex flex-col gap-6">
      {rows.map(
        ({ title, products }) =>
          products.length > 0 && (
            <section key={title} part="block">
              <h2 className="t-l mb-2">{title}</h2>
              <ul className="shelf-grid">
                {products.map((entry) => (
                  <li key={entry.id}>
                    <Card
                      product={entry}
                      front={front}
                      to={places.product(entry.id)}
                      onOpen={() => record(base, { kind: "click", product: entry.id, beside: product ?? undefined })}
                    />
                  </li>
                ))}
              </ul>
            </section>
          ),
      )}
    </div>
  );
}
