import { useEffect, useRef } from "react";
import { useStore } from "zustand";
import { START, toParams } from "../shop/address";
import { SearchBox } from "../shop/box/SearchBox";
import { usePlaces } from "../shop/links";
import { useTexts } from "../shop/texts";
import { ResultsPiece } from "./later";
import type { PieceProps } from "./piece-props";

/** The search box; its results are in the page, in a layer over it, or on a page of their own. */
export function BoxPiece({ group, piece }: PieceProps) {
  const { front, client, address, go, openLayer } = useStore(group);
  const places = usePlaces();
  if (!front || !client) return null;
  const follow = (to: string | undefined) => {
    if (to !== undefined) location.assign(to);
  };
  const search = (query: string, category: string[] | null, choice?: { id: string; value: string }) => {
    const next = { ...START, query, category, filters: choice ? { [choice.id]: { any: [choice.value] } } : {} };
    if (piece.results.kind === "page") {
      const target = new URL(piece.results.address, location.href);
      for (const [name, value] of toParams(next)) target.searchParams.set(`${piece.group ? `${piece.group}.` : ""}${name}`, value);
      return location.assign(target);
    }
    go(next);
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
        page={() => document.documentElement.getBoundingClientRect()}
        onSearch={search}
        onCategory={(path) => (places.category(path) ? follow(places.category(path)) : go({ ...START, category: path }))}
        onProduct={(id, option) => follow(places.product(id, option))}
        onPage={(id) => follow(places.guide(id))}
      />
      {piece.results.kind === "layer" && <Layer group={group} piece={piece} />}
    </>
  );
}

/** Results over the page; Escape or the button closes them, and what had the focus has it again. */
function Layer({ group, piece }: PieceProps) {
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
      {isLayerOpen && <ResultsPiece group={group} piece={piece} hasFilters />}
    </dialog>
  );
}
