import { PATH_SEPARATOR } from "@core/catalogue/text-of";
import type { Field } from "@core/catalogue/types";
import { stringsOf } from "@core/index/strings";
import type { KeyColumn } from "@core/index/types";
import { BoxLook } from "@core/settings/box/box";
import { frontOfSettings } from "@core/settings/front";
import { PageLook } from "@core/settings/page";
import { z } from "zod";
import type { Store } from "../engine/store";

/** What a page of the shop has to know of its store before anything is searched. */

export const ShopFront = z
  .strictObject({
    id: z.string(),
    name: z.string(),
    locale: z.string(),
    /** The language of labels and messages, and those that the shop has. */
    language: z.string(),
    languages: z.array(z.string()),
    currency: z.string(),
    fields: z.array(
      z.strictObject({
        key: z.string(),
        label: z.string(),
        type: z.string(),
        role: z.string(),
        unit: z.string().nullable(),
        perOption: z.boolean(),
      }),
    ),
    /** The field that each filter narrows, by the filter's id. */
    filterFields: z.record(z.string(), z.string()),
    /** What is chosen in filters when a shopper begins a search. */
    chosen: z.record(z.string(), z.array(z.string())),
    page: PageLook,
    box: BoxLook,
    /** Fields that cards read, by key or by role (":price"). */
    cardFields: z.array(z.string()),
    /** Own rules for named parts, made safe. */
    css: z.string(),
    /** Plain texts, and the parts of those that values are put into. */
    messages: z.record(z.string(), z.json()),
    categories: z.array(z.strictObject({ path: z.array(z.string()) })),
  })
  .meta({ id: "ShopFront" });

/** @param asked the language that the page wants; the store's own where it does not have that. */
export function describeFront(
  store: Store,
  source: "draft" | "live",
  visible: (field: Field) => boolean,
  asked?: string,
): z.output<typeof ShopFront> {
  const { row } = store;
  const language = asked && row.languages.includes(asked) ? asked : row.locale;
  const { searcher } = store.searcher(source);
  const { index } = searcher;
  const fields = index.fields
    .filter(visible)
    .map(({ key, label, type, role, unit, perOption }) => ({ key, label, type, role, unit, perOption }));
  const column = searcher.category < 0 ? undefined : index.columns[searcher.category];
  const categories = column?.kind === "keys" ? byNumber(column) : [];
  const { messages, ...front } = frontOfSettings(searcher.settings, row.locale, language);
  return {
    id: row.id,
    name: row.name,
    locale: row.locale,
    language,
    languages: row.languages,
    currency: row.currency,
    fields,
    ...front,
    // Parts of messages are plain data, of which their types do not tell.
    messages: messages as unknown as z.output<typeof ShopFront>["messages"],
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
