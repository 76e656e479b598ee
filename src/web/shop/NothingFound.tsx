import type { SearchAnswer } from "@core/search/request";
import { Card } from "./card/Card";
import type { Front } from "./client";
import { To, usePlaces } from "./links";
import { useTexts } from "./texts";

interface Props {
  answer: SearchAnswer;
  front: Front;
  onSearch: (query: string) => void;
}

/** The page for a search that finds nothing: what was asked, and ways on that find something. */
export default function NothingFound({ answer, front, onSearch }: Props) {
  const t = useTexts();
  const places = usePlaces();
  const end = answer.deadEnd;
  if (!end) return null;
  return (
    <div part="dead-end" className="@container flex flex-col gap-4 py-2">
      <h2 className="t-xl">{end.message}</h2>
      {end.tips.length > 0 && (
        <ul className="list-disc pl-5 text-soft">
          {end.tips.map((tip) => (
            <li key={tip}>{tip}</li>
          ))}
        </ul>
      )}
      {end.searches.length > 0 && (
        <section>
          <h3 className="mb-1.5 font-semibold">{t("dead-end.try")}</h3>
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
        </section>
      )}
      {end.products.length > 0 && (
        <section>
          <h3 className="mb-1.5 font-semibold">{t("dead-end.like")}</h3>
          <ul className="grid grid-cols-2 gap-3 @[520px]:grid-cols-4">
            {end.products.map((product) => (
              <li key={product.id}>
                <Card product={product} front={front} to={places.product(product.id)} />
              </li>
            ))}
          </ul>
        </section>
      )}
      {end.pages.length > 0 && (
        <section>
          <h3 className="mb-1.5 font-semibold">{t("guides.title")}</h3>
          <ul className="flex flex-col gap-1">
            {end.pages.map((page) => (
              <li key={page.id}>
                <To to={places.guide(page.id)} className="font-semibold text-press">
                  {page.title}
                </To>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
