import type { DemoProduct } from "../product";
import { EVERYDAY_NAMES, SHADES_BY_COLOUR } from "./words";

/** What a shopper wants: the products that would do, and the words it may be put in. */
export interface Need {
  sort: NeedClass;
  /** How well a product serves, by id: 2 is what was meant, 1 would do. */
  serves: Map<string, number>;
  /** The likeliest words first. */
  words: string[];
  /** How often it comes up, in a month from 1 to 12. */
  weight: (month: number) => number;
}

export const NEED_CLASSES = ["frequent", "rare", "synonym", "number", "attribute", "general"] as const;
export type NeedClass = (typeof NEED_CLASSES)[number];

/** A product with the kind it was made of, which the feed does not tell. */
export interface KnownProduct {
  product: DemoProduct;
  kind: string;
}

const SPRING = [0.4, 0.8, 1.5, 1.9, 1.8, 1.3, 0.9, 0.8, 0.8, 0.6, 0.4, 0.3];
const AUTUMN = [0.5, 0.5, 0.6, 0.6, 0.6, 0.7, 0.8, 1.2, 2.2, 2.4, 1.6, 0.7];
const WINTER = [1.4, 1.2, 0.9, 0.7, 0.7, 0.7, 0.7, 0.8, 0.9, 1.1, 1.6, 2.2];
const EVEN = Array.from({ length: 12 }, () => 1);
const seasonOf = ({ category: [top] }: DemoProduct): readonly number[] => {
  if (top === "Bulbs") return AUTUMN;
  if (top === "Gifts" || top === "Wildlife" || top === "Books") return WINTER;
  return top === "Plants" || top === "Seeds" || top === "Soil and feed" || top === "Watering" ? SPRING : EVEN;
};

/** All that shoppers of the demo may want. Nothing is taken from a title: people do not know them. */
export function needsOf(products: readonly KnownProduct[]): Need[] {
  const byKind = new Map<string, DemoProduct[]>();
  for (const { product, kind } of products) byKind.set(kind, [...(byKind.get(kind) ?? []), product]);
  const ranked = [...byKind].sort(([, a], [, b]) => soldOf(b) - soldOf(a));
  return [
    ...ranked.flatMap(([kind, members], rank) => [
      ...kindNeeds(kind, members, rank),
      ...colourNeeds(kind, members, rank),
      ...botanicalNeeds(members, rank),
      ...sizeNeeds(kind, members, rank),
    ]),
    ...products.filter(({ product }) => product.sold > 40).map(({ product }) => numberNeed(product)),
    ...generalNeeds(products.map(({ product }) => product)),
  ];
}

const soldOf = (members: readonly DemoProduct[]) => members.reduce((sum, { sold }) => sum + sold, 0);
/** Demand falls with the rank of a kind, as sales do. */
const demand = (rank: number) => 60 / (rank + 4);
const all = (members: readonly DemoProduct[], grade = 2) => new Map(members.map(({ id }) => [id, grade]));

function nameOf(kind: string): string {
  return kind.toLowerCase();
}

function kindNeeds(kind: string, members: readonly DemoProduct[], rank: number): Need[] {
  const season = seasonOf(members[0]);
  const name = nameOf(kind);
  const plural = / seed$|seeds$|s$|mix$|manure$|compost$|feed$|hedging$|canes$|plants$/.test(name) ? name : pluralOf(name);
  const [top] = members[0].category;
  const noun = top === "Seeds" && !/seed|mix|manure/.test(name) ? [`${name} seeds`] : top === "Bulbs" ? [`${name} bulbs`] : [];
  const needs: Need[] = [
    {
      sort: rank < 40 ? "frequent" : "rare",
      serves: all(members),
      words: [...noun, name, plural],
      weight: (month) => demand(rank) * season[month - 1],
    },
  ];
  const everyday = EVERYDAY_NAMES[kind];
  if (everyday)
    needs.push({
      sort: "synonym",
      serves: all(members),
      words: [...everyday],
      weight: (month) => 0.35 * demand(rank) * season[month - 1],
    });
  return needs;
}

function pluralOf(name: string): string {
  if (/[^aeiou]y$/.test(name)) return `${name.slice(0, -1)}ies`;
  return /(s|x|ch|sh)$/.test(name) ? `${name}es` : `${name}s`;
}

/** A kind in a colour, as shoppers name colours; another shade of the family is what they mean as well. */
function colourNeeds(kind: string, members: readonly DemoProduct[], rank: number): Need[] {
  return Object.entries(SHADES_BY_COLOUR).flatMap(([colour, shades]): Need[] => {
    const fitting = members.filter((product) =>
      [...(product.flowerColour ?? []), product.colour ?? "", ...(product.options ?? []).map((option) => option.colour ?? "")].some(
        (shade) => shades.includes(shade),
      ),
    );
    if (fitting.length === 0) return [];
    const serves = all(members, 0);
    for (const { id } of fitting) serves.set(id, 2);
    const name = nameOf(kind);
    return [
      {
        sort: "attribute",
        serves: new Map([...serves].filter(([, grade]) => grade > 0)),
        words: [`${colour} ${name}`, `${name} ${colour}`],
        weight: (month) => 0.07 * demand(rank) * seasonOf(members[0])[month - 1],
      },
    ];
  });
}

function botanicalNeeds(members: readonly DemoProduct[], rank: number): Need[] {
  const name = members[0].botanicalName?.toLowerCase();
  if (!name) return [];
  const weight = (month: number) => 0.08 * demand(rank) * seasonOf(members[0])[month - 1];
  return [{ sort: "rare", serves: all(members), words: [name, name.split(" ")[0]], weight }];
}

/** A kind in a size: pots of 9 cm, cans of 9 litres, gloves in M. */
function sizeNeeds(kind: string, members: readonly DemoProduct[], rank: number): Need[] {
  const bySize = new Map<string, DemoProduct[]>();
  for (const product of members) {
    const sizes = [
      product.potSize,
      product.capacity,
      product.length,
      ...(product.options ?? []).flatMap(({ potSize, size }) => [potSize, size]),
    ];
    for (const size of new Set(sizes)) if (size && /^\d/.test(size)) bySize.set(size, [...(bySize.get(size) ?? []), product]);
  }
  return [...bySize].map(([size, fitting]) => ({
    sort: "attribute",
    serves: all(fitting),
    words: [`${nameOf(kind)} ${size}`, `${size} ${nameOf(kind)}`, `${nameOf(kind)} ${size.replace(" ", "")}`],
    weight: (month) => 0.05 * demand(rank) * seasonOf(members[0])[month - 1],
  }));
}

/** Somebody has the number from a catalogue or an old order. */
function numberNeed(product: DemoProduct): Need {
  const plain = product.sku.replace(/-/g, "");
  const digits = product.sku.split("-")[2] ?? product.sku;
  return {
    sort: "number",
    serves: new Map([[product.id, 2]]),
    words: [product.sku, product.sku.toLowerCase(), plain, digits],
    weight: () => 0.012,
  };
}

function generalNeeds(products: readonly DemoProduct[]): Need[] {
  const need = (words: string[], weight: number, fits: (product: DemoProduct) => boolean, season: readonly number[] = EVEN): Need[] => {
    const serves = all(products.filter(fits));
    return serves.size === 0 ? [] : [{ sort: "general", serves, words, weight: (month) => weight * season[month - 1] }];
  };
  const inDepartment = (top: string) => (product: DemoProduct) => product.category[0] === top;
  const inCategory = (name: string) => (product: DemoProduct) => product.category[1] === name;
  const plant = (fits: (product: DemoProduct) => boolean) => (product: DemoProduct) => product.category[0] === "Plants" && fits(product);
  const tagged = (tag: string) => (product: DemoProduct) => product.tags.includes(tag);
  return [
    ...need(
      ["plants for bees", "bee plants", "plants for pollinators"],
      7,
      plant((product) => product.goodForBees === true),
      SPRING,
    ),
    ...need(
      ["plants for shade", "shade plants", "shady border plants"],
      6,
      plant((product) => product.light?.includes("Shade") ?? false),
      SPRING,
    ),
    ...need(
      ["evergreen shrubs", "evergreen plants"],
      5,
      plant((product) => product.evergreen === true),
    ),
    ...need(
      ["scented climbers", "scented plants"],
      3,
      plant((product) => product.scented === true),
      SPRING,
    ),
    ...need(["drought tolerant plants", "plants for dry soil"], 2, plant(tagged("drought tolerant")), SPRING),
    ...need(
      ["gift for gardener", "gardening gifts", "gift", "presents"],
      9,
      (product) => product.occasion?.includes("Gift") ?? false,
      WINTER,
    ),
    ...need(["birthday present", "birthday gift"], 3, (product) => product.occasion?.includes("Birthday") ?? false),
    ...need(["spring bulbs", "bulbs", "bulbs for spring"], 9, inCategory("Spring bulbs"), AUTUMN),
    ...need(["bird food", "food for birds", "wild bird food"], 6, inCategory("Bird food"), WINTER),
    ...need(["roses", "rose", "rose bushes"], 8, inCategory("Roses"), SPRING),
    ...need(["fruit trees", "fruit bushes", "fruit plants"], 4, inCategory("Fruit"), AUTUMN),
    ...need(["vegetable seeds", "veg seeds"], 6, inCategory("Vegetable seeds"), SPRING),
    ...need(["wildflower seeds", "wild flowers", "meadow mix"], 3, inCategory("Wildflower and meadow"), SPRING),
    ...need(["hedge plants", "hedging"], 4, inCategory("Hedging"), AUTUMN),
    ...need(["house plants", "houseplants", "indoor plants"], 6, inCategory("House plants"), WINTER),
    ...need(["garden tools", "tools", "hand tools"], 4, inDepartment("Tools")),
    ...need(
      ["peat free compost", "compost peat free"],
      4,
      (product) => product.category[1] === "Compost" && product.peatFree === true,
      SPRING,
    ),
    ...need(["plant food", "fertilizer", "fertiliser"], 4, inCategory("Fertiliser"), SPRING),
    ...need(["pots", "plant pots", "planters"], 5, inDepartment("Pots"), SPRING),
    ...need(["garden furniture", "outdoor furniture"], 3, inDepartment("Furniture"), SPRING),
    ...need(["gardening books", "books"], 2, inDepartment("Books"), WINTER),
    ...need(["grow your own kit", "kids gardening", "gardening for children"], 2, inCategory("Grow your own kits")),
    ...need(["climbing plants", "climbers"], 4, inCategory("Climbers"), SPRING),
    ...need(["herbs", "herb plants"], 4, inCategory("Herbs"), SPRING),
    ...need(["pond plants", "water plants"], 2, inCategory("Pond plants"), SPRING),
    ...need(["bedding plants", "summer bedding"], 4, inCategory("Bedding"), SPRING),
  ];
}
