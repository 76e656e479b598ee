import { bulbs } from "./kinds/bulbs";
import { books, goods } from "./kinds/goods";
import { GUIDES } from "./kinds/guides";
import { plants } from "./kinds/plants";
import { FLOWER_SEEDS, HERB_SEEDS, seeds, VEGETABLES } from "./kinds/seeds";
import { drawProduct } from "./pictures/draw";
import type { DemoOption, DemoProduct, Sketch } from "./product";
import { Random } from "./random";
import { addTroubles } from "./troubles";
import { Namer } from "./words/names";

export interface DemoCatalogue {
  products: DemoProduct[];
  /** SVG documents by file name. */
  pictures: Map<string, string>;
  /** What each product is, by id, in the words of whoever made it. */
  kinds: Map<string, string>;
  pages: { id: string; title: string; text: string; link: string; picture: string | null }[];
}

const NEWEST = Date.parse("2026-11-20T00:00:00Z");
const DAY = 86_400_000;

/** Makes the whole demo catalogue; the same seed gives the same shop. */
export function makeCatalogue(seed = 4820): DemoCatalogue {
  const random = new Random(seed);
  const namer = new Namer(random);
  const wildflowers = FLOWER_SEEDS.filter((kind) => /mix|manure/.test(kind.name));
  const sketches: Sketch[] = [
    ...plants(random, namer),
    ...seeds(VEGETABLES, "Vegetable seeds", random, namer),
    ...seeds(HERB_SEEDS, "Herb seeds", random, namer),
    ...seeds(
      FLOWER_SEEDS.filter((kind) => !wildflowers.includes(kind)),
      "Flower seeds",
      random,
      namer,
    ),
    ...seeds(wildflowers, "Wildflower and meadow", random, namer),
    ...bulbs(random, namer),
    ...goods(random),
    ...books(random),
  ];
  addTroubles(sketches);
  const pictures = new Map<string, string>();
  const products = sketches.map((sketch, i) => finish(sketch, i, random, pictures));
  const kinds = new Map(products.map(({ id }, i) => [id, sketches[i].kind]));
  addDuplicates(products);
  const pages = GUIDES.map(([title, text]) => {
    const id = title
      .toLowerCase()
      .replace(/[^a-z]+/g, "-")
      .replace(/^-|-$/g, "");
    return { id, title, text, link: `/guides/${id}`, picture: null };
  });
  return { products, pictures, kinds, pages };
}

/** A few products come a second time, with a number, a price and a stock of their own. */
function addDuplicates(products: DemoProduct[]): void {
  const candidates = products.filter((product) => !product.options && product.price > 8);
  for (const i of [3, 40, 90, 170]) {
    const one = candidates[i % candidates.length];
    products.push({ ...one, id: `${one.id}-X`, sku: `${one.sku}-X`, price: Math.round(one.price * 1.1 * 20) / 20, stock: 4 + i, sold: 2 });
  }
}

const PREFIXES: Record<string, string> = {
  Plants: "PL",
  Seeds: "SD",
  Bulbs: "BU",
  Pots: "PT",
  Tools: "TL",
  "Soil and feed": "SF",
  Watering: "WT",
  Wildlife: "WL",
  Furniture: "FU",
  Workwear: "WW",
  Books: "BK",
  Gifts: "GF",
  Growing: "GR",
};

function finish(
  { kind: _kind, drawing, tints, appeal = 1, variants, ...sketch }: Sketch,
  i: number,
  random: Random,
  pictures: Map<string, string>,
): DemoProduct {
  const number = String(i + 1).padStart(5, "0");
  const id = `P-${number}`;
  const sku = `QG-${PREFIXES[sketch.category[0]]}-${(20_000 + ((i * 7919) % 79_999)).toString()}`;
  const added = new Date(NEWEST - Math.floor(random.next() ** 2 * 1400) * DAY).toISOString().slice(0, 10);
  const sold = Math.round(appeal ** 3 * (20 + random.next() * 160) * (sketch.brand === "Quillmoor" ? 1.15 : 1));
  // One in eight is sold out, favourites sooner than others.
  const isSoldOut = random.chance(sold > 300 ? 0.2 : 0.1);
  const stockOf = () => (isSoldOut ? 0 : random.chance(0.15) && variants ? 0 : random.whole(1, 160));
  const options: DemoOption[] = (variants ?? []).map((variant, o) => ({
    id: `${id}-${o + 1}`,
    sku: `${sku}-${"ABCDE"[o]}`,
    ...variant,
    stock: stockOf(),
  }));
  const file = `${id}.svg`;
  pictures.set(file, drawProduct(drawing, tints, i * 31 + 7, sketch.title));
  const isOnSale = random.chance(0.11);
  const price = options[0]?.price ?? sketch.price;
  const ratingCount = random.chance(0.72) ? Math.round(sold * (0.05 + random.next() * 0.2)) : 0;
  return {
    id,
    ...sketch,
    sku,
    price,
    ...(isOnSale && price > 2 ? { salePrice: Math.max(0.99, Math.round(price * (0.65 + random.next() * 0.2) * 20) / 20) } : {}),
    margin: Math.round((0.22 + random.next() * 0.4 + (sketch.brand === "Quillmoor" ? 0.08 : 0)) * 100),
    stock: options.length > 0 ? options.reduce((sum, option) => sum + option.stock, 0) : stockOf(),
    ...(ratingCount > 0 ? { rating: Math.round((3.4 + random.next() * 1.6) * 10) / 10, ratingCount } : {}),
    sold,
    added,
    picture: `/media/quillmoor/${file}`,
    ...(options.length > 0 ? { options } : {}),
  };
}
