import type { Field } from "../../catalogue/types";
import { type Bits, countBits, emptyBits, fullBits, hasBit, intersect, invert, setBit, subtract, unite } from "../../index/bits";
import { fieldNumber } from "../../index/read";
import type { Searcher } from "../../prepare/searcher";
import { setOwn } from "../../records";
import { cardMaker } from "../../search/hit";
import type { ProductCard } from "../../search/request";
import { fieldsInText } from "../../settings/fill-text";
import type { CardPart } from "../../settings/page/card";
import { cardsOf } from "../../settings/page/cards";
import { inRankOrder } from "../../settings/ranked";

/** What a card comes to with the products that have it. */
export interface CardFacts {
  products: number;
  /** Of how many of them each part has something to say. */
  parts: Record<string, number>;
  /** The products of which most and fewest parts have something to say, the better-selling first; so that gaps show. */
  richest: ProductCard | null;
  poorest: ProductCard | null;
}

export interface PageFacts {
  cards: Record<string, CardFacts>;
  /** Products that meet a badge's condition, and those that wear it although no product has more than the most. */
  badges: Record<string, { meant: number; worn: number }>;
}

/** Counts what the draft's cards and badges show. @param at in milliseconds since 1970 UTC. */
export function pageFacts(searcher: Searcher, at: number, visible: (field: Field) => boolean): PageFacts {
  const card = cardMaker(searcher, at, visible);
  const filled = filledFields(searcher);
  let left = fullBits(searcher.index.products);
  const cards = cardsOf(searcher.settings.page.cards).map(([id, { condition, parts }]) => {
    const own = condition ? intersect(searcher.conditions.products(condition, at).slice(), left) : left;
    if (condition) left = subtract(left.slice(), own);
    return [id, factsOfCard(searcher, own, parts, filled, card, at)] as const;
  });
  return { cards: Object.fromEntries(cards), badges: wornBadges(searcher, at) };
}

type Filled = (field: string) => Bits;

function factsOfCard(
  searcher: Searcher,
  own: Bits,
  parts: Readonly<Record<string, CardPart>>,
  filled: Filled,
  card: (product: number) => ProductCard,
  at: number,
): CardFacts {
  const said = inRankOrder({ ...parts }).map(([id, part]) => [id, intersect(saysOf(searcher, part, filled, at).slice(), own)] as const);
  const [poorest, richest] = extremes(
    searcher,
    own,
    said.map(([, bits]) => bits),
  );
  return {
    products: countBits(own),
    parts: Object.fromEntries(said.map(([id, bits]) => [id, countBits(bits)])),
    richest: richest < 0 ? null : card(richest),
    poorest: poorest < 0 ? null : card(poorest),
  };
}

/** Of which products a part has something to say. */
function saysOf(searcher: Searcher, part: CardPart, filled: Filled, at: number): Bits {
  const { index } = searcher;
  const all = () => fullBits(index.products);
  switch (part.kind) {
    case "picture":
    case "rating":
      return filled(`:${part.kind}`);
    case "price":
      return Object.keys(searcher.settings.page.prices.none).length > 0 ? all() : filled(":price");
    case "line":
      return Object.values(part.text).reduce<Bits>(
        (bits, text) => unite(bits, lineSays(fieldsInText(text), part.hide, filled, index.products)),
        emptyBits(index.products),
      );
    case "options": {
      const bits = emptyBits(index.products);
      for (let p = 0; p < index.products; p++) if (index.optionStarts[p + 1] - index.optionStarts[p] > 1) setBit(bits, p);
      return part.as === "count" ? bits : intersect(bits, filled(part.field));
    }
    case "stock": {
      const few = searcher.conditions.products({ field: keyOf(searcher, ":stock"), between: [0, part.few] }, at);
      return part.always ? unite(filled(":stock").slice(), filled(":stockState")) : few;
    }
    case "badges":
      return Object.values(searcher.settings.page.badges)
        .filter(({ on, place }) => on && place === "text")
        .reduce<Bits>((bits, { condition }) => unite(bits, searcher.conditions.products(condition, at)), emptyBits(index.products));
    default:
      return all();
  }
}

function lineSays(fields: readonly string[], hide: "any" | "all", filled: Filled, size: number): Bits {
  if (fields.length === 0) return emptyBits(size);
  const sets = fields.map((field) => filled(field));
  return sets.slice(1).reduce<Bits>((bits, other) => (hide === "any" ? intersect(bits, other) : unite(bits, other)), sets[0].slice());
}

const keyOf = ({ index }: Searcher, name: string) =>
  name.startsWith(":") ? (index.fields.find(({ role }) => role === name.slice(1))?.key ?? "") : name;

/** Products that have a value, by field; the sets are kept while a page is counted. */
function filledFields(searcher: Searcher): Filled {
  const known = new Map<string, Bits>();
  return (name) => {
    let bits = known.get(name);
    if (!bits) {
      const key = keyOf(searcher, name);
      const size = searcher.index.products;
      const isFlag = searcher.index.fields[fieldNumber(searcher.index, key)]?.type === "flag";
      // "No" is nothing to say.
      bits = isFlag
        ? searcher.conditions.products({ field: key, is: true }, 0)
        : invert(searcher.conditions.products({ field: key, empty: true }, 0).slice(), size);
      known.set(name, bits);
    }
    return bits;
  };
}

/** The members of a set that are in fewest and in most of some others; of equal ones the better-selling, then by id. */
function extremes(searcher: Searcher, own: Bits, others: readonly Bits[]): [number, number] {
  const { index } = searcher;
  const sold = index.columns[index.fields.findIndex(({ role }) => role === "sold")];
  const worth = (product: number) => (sold?.kind === "numbers" && !sold.perOption ? sold.numbers[product] || 0 : 0);
  const isBefore = (a: number, b: number) => worth(a) > worth(b) || (worth(a) === worth(b) && index.idRanks[a] < index.idRanks[b]);
  let [fewest, most] = [-1, -1];
  let [least, greatest] = [Infinity, -1];
  for (let product = 0; product < index.products; product++) {
    if (!hasBit(own, product)) continue;
    let n = 0;
    for (const bits of others) if (hasBit(bits, product)) n++;
    if (n < least || (n === least && isBefore(product, fewest))) [fewest, least] = [product, n];
    if (n > greatest || (n === greatest && isBefore(product, most))) [most, greatest] = [product, n];
  }
  return [fewest, most];
}

function wornBadges(searcher: Searcher, at: number): PageFacts["badges"] {
  const { badges, mostBadges } = searcher.settings.page;
  const size = searcher.index.products;
  const worn = new Uint8Array(size);
  const facts: PageFacts["badges"] = {};
  for (const [id, { condition, on }] of inRankOrder(badges)) {
    const bits = searcher.conditions.products(condition, at);
    let count = 0;
    if (on) {
      for (let product = 0; product < size; product++) {
        if (!hasBit(bits, product) || worn[product] >= mostBadges) continue;
        worn[product]++;
        count++;
      }
    }
    setOwn(facts, id, { meant: countBits(bits), worn: count });
  }
  return facts;
}
