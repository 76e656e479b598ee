import type { CardFacts } from "@core/insights/measure/page-facts";
import { Card } from "../../../shop/card/Card";
import { ShopRoot } from "../../../shop/ShopRoot";
import { useOpen } from "../../state/bench";

/** The products that show most and least of a card, as shoppers see them, so that gaps show. */
export function CardPreview({ facts }: { facts: CardFacts | null }) {
  const { front } = useOpen("front");
  const shown = [
    { name: "Fullest product", product: facts?.richest },
    { name: "Emptiest product", product: facts?.poorest },
  ];
  return (
    <aside aria-label="Fullest and emptiest product" className="sticky top-0 flex flex-col gap-3 self-start">
      {shown.map(
        ({ name, product }) =>
          product && (
            <figure key={name}>
              <figcaption className="mb-1 text-[12.5px] text-soft">{name}</figcaption>
              <ShopRoot front={front} className="rounded border border-rule p-2.5">
                <Card product={product} front={front} />
              </ShopRoot>
            </figure>
          ),
      )}
    </aside>
  );
}
