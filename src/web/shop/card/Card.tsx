import type { ShopFront } from "@contract/search";
import { memo, useState } from "react";
import { To } from "../links";
import { CardPartView } from "./CardPartView";
import { partsOf, type Shown } from "./product";

interface Props {
  product: Shown;
  front: ShopFront;
  /** Where a click leads; none where the card is worked on. */
  to?: string;
  onOpen?: () => void;
  /** In a list the picture is beside all else. */
  as?: "grid" | "list";
}

/** A product as the shop composes it: the parts of its card, those that have something to say. */
export const Card = memo(function Card({ product, front, to, onOpen, as = "grid" }: Props) {
  const [chosen, setChosen] = useState<string | null>(null);
  const choice = product.choices?.find(({ id }) => id === chosen) ?? null;
  const fields = choice ? { ...product.fields, ...choice.fields } : product.fields;
  const shown = choice?.badges ? { ...product, badges: choice.badges } : product;
  const parts = partsOf(front, product);
  const view = (entries: typeof parts) =>
    entries.map(([id, part]) => (
      <CardPartView
        key={id}
        part={part}
        product={shown}
        front={front}
        fields={fields}
        choice={choice}
        to={to}
        onOpen={onOpen}
        onChoose={setChosen}
      />
    ));
  // The title is the link; a card without one leads to the product all the same.
  const link = to !== undefined && !parts.some(([, part]) => part.kind === "title") && (
    <To to={to} onOpen={onOpen} className="absolute inset-0">
      <span className="sr-only">{product.title}</span>
    </To>
  );
  const pictures = parts.filter(([, part]) => part.kind === "picture");
  if (as === "list" && pictures.length > 0)
    return (
      <article
        part="card card-row"
        className="relative grid grid-cols-[112px_minmax(0,1fr)] gap-x-4 @[560px]:grid-cols-[160px_minmax(0,1fr)]"
      >
        <div>{view(pictures)}</div>
        <div className="flex min-w-0 flex-col gap-1 py-1">{view(parts.filter((entry) => !pictures.includes(entry)))}</div>
        {link}
      </article>
    );
  return (
    <article part="card" className="group/card relative flex h-full flex-col gap-1">
      {view(parts)}
      {link}
    </article>
  );
});
