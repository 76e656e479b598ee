import { answerFilters } from "../../filters/answer";
import { filtersOf } from "../../filters/prepare";
import { categoriesOf } from "../../search/categories";
import { pageNumbered, searchPages } from "../../search/pages";
import { isVisible } from "../../search/visible";
import type { BoxBlockOf } from "../../settings/box/block";
import { marksOf } from "../marks";
import type { Fill } from "../panel";

/** Categories, departments before anything is typed, and the deeper ones of what was found. */
export const categoryItems: Fill<BoxBlockOf<"categories">> = ({ searcher, among, found, query }, { counts }, most) =>
  categoriesOf(searcher, among, { isTop: found === null, most }).map(({ path, count }) => {
    const text = path[path.length - 1];
    const marks = found ? marksOf(text, query) : [];
    return { text, path, ...(counts ? { count } : {}), ...(marks.length > 0 ? { marks } : {}) };
  });

/** Values of a filter, those of most products first. */
export const valueItems: Fill<BoxBlockOf<"values">> = (panel, { filter: id, counts }, most) => {
  const { searcher, among, at, language, category, query } = panel;
  const prepared = filtersOf(searcher, at).filter((entry) => entry.id === id && isVisible(searcher, entry, panel.visible));
  const [answer] = answerFilters(searcher, {
    filters: prepared,
    selections: [],
    base: among,
    language,
    category,
    stems: query.typedStems,
  });
  if (!answer || !("values" in answer)) return [];
  return answer.values
    .toSorted((a, b) => b.count - a.count)
    .slice(0, most)
    .map(({ value, label, count }) => ({ text: label, filter: { id, value }, ...(counts ? { count } : {}) }));
};

/** Guides: those that answer what was typed, or those chosen by hand. */
export const pageItems: Fill<BoxBlockOf<"pages">> = ({ searcher, query, found, end }, { pick, pages }, most) => {
  const hits =
    pick === "hand"
      ? pages.flatMap((id) => pageNumbered(searcher, id) ?? [])
      : (end?.pages ?? searchPages(searcher, found?.query.searched ?? query.typed, most).hits);
  return hits.slice(0, most).map((page) => ({ id: page.id, text: page.title, link: page.link }));
};
