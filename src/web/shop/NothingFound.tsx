import type { SearchAnswer, ShopFront } from "@contract/search";
import type { DeadEndPart } from "@core/settings/dead-end";
import type { ReactNode } from "react";
import { Card } from "./card/Card";
import { To, usePlaces } from "./links";

interface Props {
  answer: SearchAnswer;
  front: ShopFront;
  onSearch: (query: string) => void;
}

/** The page for a search that finds nothing: what was asked, and ways on that find something. */
export default function NothingFound({ answer, front, onSearch }: Props) {
  const places = usePlaces();
  const end = answer.deadEnd;
  if (!end) return null;
  const shown: Record<DeadEndPart, ReactNode> = {
    message: end.message && <h2 className="t-xl">{end.message}</h2>,
    tips: end.tips.length > 0 && (
      <ul className="list-disc pl-5 text-soft">
        {end.tips.map((tip) => (
          <li key={tip}>{tip}</li>
        ))}
      </ul>
    ),
    searches: end.searches.length > 0 && (
      <div className="flex flex-wrap gap-1.5">
        {end.searches.map((text) => (
          <button
            key={text}
            type="button"
            onClick={() => onSearch(text)}
            className="rounded-full border border-rule px-3 py-1 font-semibold text-press hover:border-press"
          >
            {text}
          </button>
        ))}
      </div>
    ),
    products: end.products.length > 0 && (
      <ul className="grid grid-cols-2 gap-3 @[520px]:grid-cols-4">
        {end.products.map((product) => (
          <li key={product.id}>
            <Card product={product} front={front} to={places.product(product.id, product.variant)} />
          </li>
        ))}
      </ul>
    ),
    categories: end.categories.length > 0 && (
      <ul className="flex flex-wrap gap-x-4 gap-y-1">
        {end.categories.map(({ path, count }) => (
          <li key={path.join()}>
            <To to={places.category(path)} className="font-semibold text-press">
              {path.join(" › ")}
            </To>{" "}
            <span className="text-soft">{count}</span>
          </li>
        ))}
      </ul>
    ),
    pages: end.pages.length > 0 && (
      <ul className="flex flex-col gap-1">
        {end.pages.map((page) => (
          <li key={page.id}>
            <To to={places.guide(page.id)} className="font-semibold text-press">
              {page.title}
            </To>
          </li>
        ))}
      </ul>
    ),
  };
  return (
    <div part="dead-end" className="@container flex flex-col gap-4 py-2">
      {end.parts.map(
        ({ part, heading }) =>
          shown[part] && (
            <section key={part} data-part={part}>
              {heading && <h3 className="mb-1.5 font-semibold">{heading}</h3>}
              {shown[part]}
            </section>
          ),
      )}
    </div>
  );
}
