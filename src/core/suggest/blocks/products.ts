import { fieldWithRole } from "../../catalogue/types";
import { type Bits, hasBit } from "../../index/bits";
import { productNumber } from "../../index/read";
import { bestOf, newestOf } from "../../search/best-sellers";
import { cardMaker } from "../../search/hit";
import type { ProductCard } from "../../search/request";
import type { BoxBlockOf } from "../../settings/box/block";
import { fieldsOfLine } from "../../settings/box/line";
import { marksOf } from "../marks";
import type { Fill, Panel } from "../panel";
import type { SuggestedItem } from "../request";

/** Products: what was typed finds, or what is chosen otherwise of what may be in the panel. */
export const productItems: Fill<BoxBlockOf<"products">> = (panel, block, most) => {
  const { searcher, at, found, end } = panel;
  if (block.pick === "matching" && found) return found.hits.slice(0, most).map((hit) => itemOf(panel, hit));
  if (block.pick === "closest" && end) {
    const stays = (id: string) => hasBit(panel.among, productNumber(searcher.index, id));
    return end.products
      .filter(({ id }) => stays(id))
      .slice(0, most)
      .map((card) => itemOf(panel, card));
  }
  const card = cardMaker(searcher, at, shownIn(panel));
  return numbersFor(panel, block, most).map((product) => itemOf(panel, card(product)));
};

function numbersFor({ searcher, among, at, popular }: Panel, { pick, products }: BoxBlockOf<"products">, most: number): number[] {
  const named = (ids: readonly string[]) =>
    ids
      .map((id) => productNumber(searcher.index, id))
      .filter((product) => product >= 0 && hasBit(among, product))
      .slice(0, most);
  switch (pick) {
    case "hand":
      return named(products);
    case "rising":
      return named(popular?.risingProducts ?? []);
    case "newest":
      return newestOf(searcher, among, "typing", at, most);
    default:
      return bestOf(searcher, among, "typing", at, most).numbers;
  }
}

/** Only fields that the line shows, and that may be shown. */
export function shownIn({ searcher, visible }: Pick<Panel, "searcher" | "visible">): Panel["visible"] {
  const { fields } = searcher.index;
  const names = new Set(fieldsOfLine(searcher.settings.box.line));
  return (field) => {
    const isNamed = names.has(field.key) || (names.has(`:${field.role}`) && fieldWithRole(fields, field.role) === field.key);
    return isNamed && visible(field);
  };
}

function itemOf({ query, found }: Panel, { id, title, variant, fields, badges }: ProductCard): SuggestedItem {
  const marks = found ? marksOf(title, query) : [];
  return { id, text: title, variant, ...(marks.length > 0 ? { marks } : {}), fields, ...(badges ? { badges } : {}) };
}

/** Products of a set that are not sold out, where those are in the panel only when asked for. */
export function withoutSoldOut({ stock }: Panel["searcher"], products: Bits): Bits {
  const absent = stock.askedFor.typing;
  if (absent) for (let word = 0; word < products.length; word++) products[word] &= ~absent[word];
  return products;
}
