import { type ComponentType, type ReactNode, StrictMode, Suspense, useEffect, useMemo } from "react";
import { createRoot, type Root } from "react-dom/client";
import { useStore } from "zustand";
import { KeptContext } from "../shop/kept";
import { PlacesContext } from "../shop/links";
import { ShopRoot } from "../shop/ShopRoot";
import { BoxPiece } from "./BoxPiece";
import type { Config } from "./config";
import { type Group, groupFor } from "./group";
import { keptOf } from "./kept";
import { expectResults, FiltersPiece, RelatedPiece, ResultsPiece } from "./later";
import { addressFor, type Piece, pieceFrom } from "./piece";
import type { PieceProps } from "./piece-props";

import { shopSheet } from "./styles";

/** The elements that a page can hold. */

type Content = ComponentType<PieceProps>;

const config: Config = window.cleverShelf ?? { server: "", key: "", language: null, product: null, category: null, guide: null };

/** What is in an element, within the look of its shop. */
function Inside({ group, piece, host, content: Piece_ }: { group: Group; piece: Piece; host: HTMLElement; content: Content }) {
  const front = useStore(group, (state) => state.front);
  const failure = useStore(group, (state) => state.failure);
  const base = useStore(group, (state) => state.base);
  const isAsked = useStore(group, (state) => state.isAsked);
  useEffect(() => {
    if (isAsked) expectResults();
  }, [isAsked]);
  const places = useMemo(
    () => ({
      product: (id: string, option = id) => addressFor(config.product, encodeURIComponent(id), encodeURIComponent(option)),
      category: (path: readonly string[]) => addressFor(config.category, path.map(encodeURIComponent).join("/")),
      guide: (id: string) => addressFor(config.guide, encodeURIComponent(id)),
    }),
    [],
  );
  const kept = useMemo(() => keptOf(host, base), [host, base]);
  if (!front) return failure ? <p role="alert">{failure}</p> : null;
  return (
    <PlacesContext value={places}>
      <KeptContext value={kept}>
        <ShopRoot front={front} className="!bg-transparent">
          <Suspense fallback={null}>
            <Piece_ group={group} piece={piece} />
          </Suspense>
        </ShopRoot>
      </KeptContext>
    </PlacesContext>
  );
}

function define(name: string, content: Content): void {
  if (customElements.get(name)) return;
  customElements.define(
    name,
    class extends HTMLElement {
      static observedAttributes = ["group", "category", "within", "results", "product"];
      private root: Root | null = null;

      connectedCallback(): void {
        const shadow = this.shadowRoot ?? this.attachShadow({ mode: "open" });
        shadow.adoptedStyleSheets = [shopSheet()];
        this.root ??= createRoot(shadow);
        this.draw();
      }

      disconnectedCallback(): void {
        this.root?.unmount();
        this.root = null;
      }

      attributeChangedCallback(): void {
        this.draw();
      }

      private draw(): void {
        if (!this.root) return;
        const piece = pieceFrom(this);
        this.root.render(
          <StrictMode>
            <Inside group={groupFor(config, piece)} piece={piece} host={this} content={content} />
          </StrictMode>,
        );
      }
    },
  );
}

/** What belongs to a search is loaded and drawn once there is one. */
function WhenAsked({ group, children }: { group: Group; children: ReactNode }) {
  return useStore(group, (state) => state.isAsked) ? children : null;
}

define("clever-shelf-box", BoxPiece);
define("clever-shelf-results", (props) => (
  <WhenAsked group={props.group}>
    <ResultsPiece {...props} hasFilters={!document.querySelector("clever-shelf-filters")} />
  </WhenAsked>
));
define("clever-shelf-filters", (props) => (
  <WhenAsked group={props.group}>
    <FiltersPiece {...props} />
  </WhenAsked>
));
define("clever-shelf-related", RelatedPiece);
define("clever-shelf", (props) => (
  <div className="flex flex-col gap-4">
    <BoxPiece {...props} />
    {props.piece.results.kind === "here" && (
      <WhenAsked group={props.group}>
        <ResultsPiece {...props} hasFilters />
      </WhenAsked>
    )}
  </div>
));
