import type { SearchAnswer, ShopFront } from "@contract/search";
import type { Address } from "./address";
import { To, usePlaces } from "./links";
import { useTexts } from "./texts";

interface Props {
  front: ShopFront;
  address: Address;
  answer: SearchAnswer;
  onSearch: (query: string) => void;
  onAsTyped: () => void;
}

/** What was searched, where, and what became of the words. */
export function Heading({ front, address, answer, onSearch, onAsTyped }: Props) {
  const t = useTexts();
  const places = usePlaces();
  const { category, query } = address;
  const correction = answer.query.steps.find((step) => step.kind === "correction");
  const nearColour = answer.query.steps.find((step) => step.kind === "colour");
  // A search inside a category has the whole path above it, the category being one step back.
  const above = category?.slice(0, query ? undefined : -1) ?? [];
  return (
    <div part="heading" className="mb-3">
      {category && (
        <nav aria-label={t("results.path")} className="t-s text-soft">
          {above.map((label, i) => (
            <span key={label}>
              <To to={places.category(category.slice(0, i + 1))} className="text-soft">
                {label}
              </To>{" "}
              ›{" "}
            </span>
          ))}
        </nav>
      )}
      <h1 className="t-xxl">{query ? t("results.heading", { query }) : (category?.at(-1) ?? t("results.everything"))}</h1>
      {correction && (
        <p className="text-soft">
          {t("results.corrected", { searched: answer.query.searched, typed: answer.query.typed })}{" "}
          <button type="button" onClick={onAsTyped} className="font-semibold text-press">
            {t("results.as-typed", { typed: answer.query.typed })}
          </button>
        </p>
      )}
      {nearColour && <p className="text-soft">{t("results.near-colour", { from: nearColour.from, to: nearColour.to ?? "" })}</p>}
      {answer.query.didYouMean.length > 0 && (
        <p className="text-soft">
          {t("results.did-you-mean")}{" "}
          {answer.query.didYouMean.map((text) => (
            <button key={text} type="button" onClick={() => onSearch(text)} className="mr-2 font-semibold text-press">
              {text}
            </button>
          ))}
        </p>
      )}
      {category && !query && <SubCategories front={front} path={category} />}
    </div>
  );
}

function SubCategories({ front, path }: { front: ShopFront; path: string[] }) {
  const places = usePlaces();
  const children = front.categories.filter(
    (entry) => entry.path.length === path.length + 1 && path.every((label, i) => entry.path[i] === label),
  );
  if (children.length === 0) return null;
  return (
    <div className="mt-1.5 flex flex-wrap gap-1.5">
      {children.map((child) => (
        <To
          key={child.path.join()}
          to={places.category(child.path)}
          className="t-s rounded-full border border-rule px-3 py-0.5 text-ink no-underline hover:border-press"
        >
          {child.path.at(-1)}
        </To>
      ))}
    </div>
  );
}
