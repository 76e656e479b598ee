import type { ShopFront } from "@contract/search";
import { PATH_SEPARATOR } from "@core/catalogue/text-of";
import type { Field } from "@core/catalogue/types";
import { stringsOf } from "@core/index/strings";
import type { KeyColumn } from "@core/index/types";
import { frontOfSettings } from "@core/storefront/front";
import { safeCss } from "@core/storefront/own-css";
import type { StoreView } from "../engine/view";

/** @param asked the language that the page wants; the store's own where it does not have that. */
export function describeFront(store: StoreView, source: "draft" | "live", visible: (field: Field) => boolean, asked?: string): ShopFront {
  const { row } = store;
  const language = asked && row.languages.includes(asked) ? asked : row.locale;
  const { searcher } = store.searcher(source);
  const { index } = searcher;
  const fields = index.fields
    .filter(visible)
    .map(({ key, label, type, role, unit, perOption }) => ({ key, label, type, role, unit, perOption }));
  const column = searcher.category < 0 ? undefined : index.columns[searcher.category];
  const categories = column?.kind === "keys" ? byNumber(column) : [];
  return {
    id: row.id,
    name: row.name,
    locale: row.locale,
    language,
    languages: row.languages,
    currency: row.currency,
    fields,
    ...frontOfSettings(searcher.settings, row.locale, language, (css) => safeCss(css).css),
    categories,
  };
}

/** Category paths, those with most products first. */
function byNumber(column: KeyColumn): { path: string[] }[] {
  const keys = stringsOf(column.keys);
  const counts = new Uint32Array(keys.length);
  for (const ordinal of column.ordinals) counts[ordinal]++;
  const order = [...keys.keys()].sort((a, b) => counts[b] - counts[a] || a - b);
  return order.map((ordinal) => ({ path: keys[ordinal].split(PATH_SEPARATOR) }));
}
