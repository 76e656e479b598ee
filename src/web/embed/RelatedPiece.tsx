import { useStore } from "zustand";
import { Card } from "../shop/card/Card";
import { askShop } from "../shop/client";
import { usePlaces } from "../shop/links";
import { useTexts } from "../shop/texts";
import { useLoaded } from "../shop/useLoaded";
import { record } from "../shop/visit";
import type { PieceProps } from "./piece-props";

/** Complements and alternatives of a product. */
export default function RelatedPiece({ group, piece: { product } }: PieceProps) {
  const t = useTexts();
  const places = usePlaces();
  const { base, front } = useStore(group);
  const { answer: related } = useLoaded(product && `${base} ${product}`, (signal) =>
    askShop(base)("GET /related/{product}", { params: { product: product ?? "" }, signal }),
  );
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
                      to={places.product(entry.id, entry.variant)}
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
