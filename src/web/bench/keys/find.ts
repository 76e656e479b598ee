import { lookUp } from "@core/records";
import { STAGES } from "../frame/areas";
import { tabsOf } from "../frame/screens";

export interface Found {
  /** What tells it from the others of its group. */
  id: string;
  name: string;
  /** Said beside it. */
  note?: string;
  /** Leads there, within the bench of the store. */
  path: string;
}

/** Words by which a screen is looked for that are not in its name. */
const ALSO: Record<string, string> = {
  attributes: "searchable weight fields relevance",
  filters: "facets narrow sliders",
  releases: "live publish history undo backup go back",
  "catalogue/feed": "import file upload csv",
  "catalogue/products": "table bulk tags",
  "catalogue/pages": "guides content articles",
  "catalogue/selections": "groups of products conditions",
  "words/rules": "synonyms phrases stop words",
  "words/groups": "merge values colours sizes",
  "words/misspellings": "typos corrections tolerance",
  "ranking/tie-breakers": "sort order tie width relevance",
  "ranking/stock": "sold out availability to order",
  "ranking/boosts": "promote bury demote",
  "shelves/this-search": "pin arrange merchandise",
  "shelves/all": "campaigns overview calendar",
  "shelves/hidden": "hide exclude",
  "shelves/recommendations": "alternatives complements related",
  "search-box/panel": "autocomplete suggestions",
  "no-results/page": "empty zero results message",
  "no-results/answers": "nothing found",
  "shop-page/layout": "columns per page sort options",
  "shop-page/look": "theme colours fonts css",
  "shop-page/badges": "labels new sale",
  "shop-page/blocks": "banners rows",
  "shop-page/embedding": "script website origins key",
};

/** Every screen of the bench. */
export const SCREENS: readonly (Found & { also: string })[] = STAGES.flatMap(({ name: stage, areas }) =>
  areas.flatMap((area) => {
    const tabs = tabsOf(area.path);
    const paths = tabs.length > 0 ? tabs.map(({ path, name }) => ({ path: `${area.path}/${path}`, name })) : [area];
    return paths.map(({ path, name }) => ({
      id: path,
      path,
      name: name === area.name ? name : `${area.name}: ${name}`,
      note: stage,
      also: lookUp(ALSO, path) ?? "",
    }));
  }),
);

const wordsOf = (text: string) =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/** Whether each word that was typed begins a word of a text. */
export function isNamed(text: string, typed: string): boolean {
  const words = wordsOf(text);
  return wordsOf(typed).every((start) => words.some((word) => word.startsWith(start)));
}

/** The first few of a list that are named by what was typed: those whose name begins with it before the others. */
export function firstNamed<T extends { name: string; also?: string }>(list: readonly T[], typed: string, most: number): T[] {
  const found = list.filter(({ name, also = "" }) => isNamed(`${name} ${also}`, typed));
  const start = typed.trim().toLowerCase();
  const isFirst = ({ name }: T) => Number(name.toLowerCase().startsWith(start));
  return found.toSorted((a, b) => isFirst(b) - isFirst(a)).slice(0, most);
}
