import type { ProductCard } from "@core/search/request";
import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { useStore } from "zustand";
import { Card } from "../shop/card/Card";
import { usePlaces } from "../shop/links";
import { useTexts } from "../shop/texts";
import { record } from "../shop/visit";
import type { PieceProps } from "./piece-props";

interface Related {
  goesWith: ProductCard[];
  insteadOf: ProductCard[];
}

/** What goes with a product, and what could be taken instead. */
export default function RelatedPiece({ group, piece: { product } }: PieceProps) {
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
