import type { SearchAnswer } from "@contract/search";
import { To, usePlaces } from "../links";
import { useTexts } from "../texts";

/** Categories of most of the results. */
export function CategoryHits({ answer: { categories = [] } }: { answer: SearchAnswer }) {
  const t = useTexts();
  const places = usePlaces();
  if (categories.length === 0) return null;
  return (
    <nav part="category-hits" aria-label={t("box.categories")} className="mb-3 flex flex-wrap gap-1.5">
      {categories.map(({ path, count }) => (
        <To
          key={path.join()}
          to={places.category(path)}
          className="t-s rounded-full border border-rule px-3 py-0.5 text-ink no-underline hover:border-press"
        >
          {path.at(-1)} <span className="text-soft">{count}</span>
        </To>
      ))}
    </nav>
  );
}
