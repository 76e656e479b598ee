import type { SearchAnswer, ShopFront } from "@contract/search";
import type { BlockAnswer } from "@core/search/request";
import type { Address } from "../address";
import { Card } from "../card/Card";
import { To, usePlaces } from "../links";
import { useTexts } from "../texts";
import { GuideLinks } from "./Guides";

export const blocksIn = ({ blocks = [] }: SearchAnswer, place: BlockAnswer["place"]) => blocks.filter((block) => block.place === place);

/** What is wider than the page is moved by the arrow keys, also where nothing in it can be pressed. */
const SCROLLED = { tabIndex: 0 };

interface Props {
  block: BlockAnswer;
  front: ShopFront;
  onFollow: (next: Partial<Address>) => void;
  /** One below the other, as beside the results. */
  isNarrow?: boolean;
}

/** A titled block of products, categories or guides, with a way to all of it. */
export function Block({ block, front, onFollow, isNarrow = false }: Props) {
  const t = useTexts();
  const places = usePlaces();
  const { title, products, categories, pages, more } = block;
  const headingId = `block-${block.id}`;
  return (
    <section part="block" data-block={block.id} aria-labelledby={headingId} className={isNarrow ? "" : "my-4 border-y border-rule py-3"}>
      <div className="mb-2 flex items-baseline gap-3">
        <h2 id={headingId} className="t-l">
          {title}
        </h2>
        {more && (
          <button
            type="button"
            onClick={() => onFollow({ query: more.query, category: more.category, within: more.within })}
            className="t-s font-semibold text-press"
          >
            {t("block.more")} ({more.total})
          </button>
        )}
      </div>
      {products.length > 0 && (
        <ul
          {...(isNarrow ? {} : SCROLLED)}
          className={
            isNarrow ? "flex flex-col gap-3" : "grid auto-cols-[minmax(130px,1fr)] grid-flow-col gap-(--across) overflow-x-auto pb-1"
          }
        >
          {products.map((product) => (
            <li key={product.id} className={isNarrow ? "" : "max-w-[240px]"}>
              <Card product={product} front={front} to={places.product(product.id, product.variant)} />
            </li>
          ))}
        </ul>
      )}
      {categories.length > 0 && (
        <div className="flex flex-wrap gap-1.5">
          {categories.map(({ path, count }) => (
            <To
              key={path.join()}
              to={places.category(path)}
              className="t-s rounded-full border border-rule px-3 py-0.5 text-ink no-underline hover:border-press"
            >
              {path.at(-1)} <span className="text-soft">{count}</span>
            </To>
          ))}
        </div>
      )}
      {pages.length > 0 && <GuideLinks pages={pages} isWide={isNarrow} />}
    </section>
  );
}
