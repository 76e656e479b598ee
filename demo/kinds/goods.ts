import type { Sketch } from "../product";
import { Random } from "../random";
import { AUTHORS, BRANDS } from "../words/names";
import { ARTICLES, type Article } from "./articles";
import { priceIn, tidy } from "./plants";

const SERIES_FIRST = [
  "Fen",
  "Har",
  "Cor",
  "Mer",
  "Quar",
  "Brin",
  "Ott",
  "Wex",
  "Lark",
  "Pell",
  "Tol",
  "Ald",
  "Dun",
  "Elm",
  "Garl",
  "Hol",
  "Kest",
  "Lin",
  "Mar",
  "Sed",
];
const SERIES_SECOND = ["row", "by", "rick", "land", "ley", "low", "combe", "wick", "mere", "dale", "stead", "don", "hurst"];
const QUALITIES = [
  "Sturdy",
  "Everyday",
  "Heritage",
  "Lightweight",
  "Compact",
  "Large",
  "Traditional",
  "Fine",
  "Weatherproof",
  "Simple",
] as const;

/** Tools, pots, soil and all else that is not a plant. */
export function goods(random: Random): Sketch[] {
  const series = new Set<string>();
  const nextSeries = (): string => {
    for (;;) {
      const name = random.pick(SERIES_FIRST) + random.pick(SERIES_SECOND);
      if (series.has(name)) continue;
      series.add(name);
      if (series.size >= SERIES_FIRST.length * SERIES_SECOND.length - 1) series.clear();
      return name;
    }
  };
  return ARTICLES.flatMap((article) =>
    Array.from({ length: Random.stocked(article.count) }, (_, i) => good(article, i, nextSeries(), random)),
  );
}

function good(article: Article, i: number, series: string, random: Random): Sketch {
  const brand = random.pick(BRANDS[article.brands]);
  const material = article.materials[i % article.materials.length];
  const colour = article.colours[i % article.colours.length];
  const price = priceIn(article.price, random);
  const measure = article.measure?.[1][i % article.measure[1].length];
  const quality = random.pick(QUALITIES);
  const detail = measure ?? (article.colours.length > 1 && !article.colourOptions ? colour.toLowerCase() : material.toLowerCase());
  const made = sayMade(article, material, measure);
  const factor =
    measure && article.measure ? 0.6 + (0.8 * (i % article.measure[1].length)) / Math.max(1, article.measure[1].length - 1) : 1;
  const sold = article.guarantee ? ` We guarantee it for ${article.guarantee} years.` : "";
  return {
    kind: article.name,
    title: `${i % 3 === 1 ? `${quality} ` : ""}${i % 3 === 1 ? article.name : capital(article.name)} ${series}, ${detail}`,
    brand,
    category: article.category,
    tags: [...article.tags, ...(article.occasion ? ["present"] : [])],
    description: `${article.lines[0]}${made} ${article.lines[1]} ${article.lines[2]}${sold}`,
    material: material === "Mixed" ? undefined : material,
    ...(article.measure && measure ? { [article.measure[0]]: measure } : {}),
    ...(article.guarantee ? { guarantee: `${article.guarantee} years` } : {}),
    ...(article.occasion ? { occasion: article.occasion } : {}),
    ...(article.name.includes("compost") || article.name.includes("soil") ? { peatFree: true } : {}),
    ...(article.colourOptions ? {} : { colour }),
    price: tidy(price * factor),
    drawing: article.drawing,
    tints: [colour],
    appeal: 0.5 + random.next() * 1.1,
    ...variantsOf(article, tidy(price * factor), random),
  };
}

/** " Made of oak, 150 cm long." A tool names the part that the material is for. */
function sayMade(article: Article, material: string, measure: string | undefined): string {
  if (material === "Mixed" || material === "Card") return "";
  const size = measure ? `, ${describeMeasure(article, measure)}` : "";
  if (article.category[0] !== "Tools") return ` Made of ${material.toLowerCase()}${size}.`;
  const part = /steel/i.test(material) ? "Everything that cuts or digs is" : "The handle is";
  return ` ${part} ${material.toLowerCase()}${measure ? `, and the whole is ${measure} long` : ""}.`;
}

function describeMeasure(article: Article, measure: string): string {
  switch (article.measure?.[0]) {
    case "capacity":
      return ["bottle", "sack"].includes(article.drawing) ? `${measure} in all` : `it holds ${measure}`;
    case "length":
      return `${measure} long`;
    case "height":
      return `${measure} tall`;
    default:
      return `${measure} in all`;
  }
}

function variantsOf(article: Article, price: number, random: Random): Pick<Sketch, "variants"> {
  if (article.sizes) {
    const isClothing = article.category[0] === "Workwear";
    return {
      variants: article.sizes.map((size, i) => ({
        size,
        price: isClothing ? price : size.startsWith("£") ? Number(size.slice(1)) : tidy(price * (1 + i * 0.55)),
      })),
    };
  }
  if (article.colourOptions)
    return { variants: random.some(article.colours, random.whole(2, article.colours.length)).map((colour) => ({ colour, price })) };
  return {};
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

const SUBJECTS = [
  ["Roses", "roses", "rose"],
  ["The kitchen garden", "vegetables", "carrot"],
  ["Pruning", "pruning", "secateurs"],
  ["Lavender", "lavender", "spikes"],
  ["A garden for bees", "planting for bees", "daisy"],
  ["Small gardens", "small gardens", "pot"],
  ["Tulips", "tulips", "tulip"],
  ["Compost", "making compost", "sack"],
  ["Ponds", "garden ponds", "waterlily"],
  ["Shade", "gardening in shade", "fern"],
  ["The cutting garden", "flowers for cutting", "dahlia"],
  ["Herbs", "herbs", "leaves"],
  ["Trees", "small trees", "tree"],
  ["Birds", "birds in the garden", "feeder"],
  ["House plants", "house plants", "houseplant"],
  ["Drawing plants", "drawing plants", "iris"],
  ["Dry gardens", "gardening without water", "grass"],
  ["Hedges", "hedges", "hedge"],
] as const;
const ANGLES = [
  ["A year with", "follows one grower through twelve months of", "a diary to be read in the evening and used in the morning"],
  ["A first book of", "takes a beginner by the hand through", "no Latin without a translation and no job without a drawing"],
  ["The plain guide to", "says in few words what matters in", "one job to a page, and every page can be read in the rain"],
  ["Letters on", "gathers forty letters between two friends about", "funny, exact and full of things one wants to try at once"],
] as const;

/** Garden books. */
export function books(random: Random): Sketch[] {
  return SUBJECTS.flatMap(([title, subject, drawing]) =>
    ANGLES.slice(0, random.whole(3, 4)).map(([opening, does, praise]): Sketch => {
      const author = random.pick(AUTHORS);
      const pages = random.whole(7, 24) * 16;
      return {
        kind: `${subject} book`,
        title: `${opening} ${title.charAt(0).toLowerCase()}${title.slice(1)}`,
        brand: random.pick(BRANDS.books),
        category: ["Books", drawing === "carrot" || drawing === "leaves" ? "Growing food" : "Garden books"],
        tags: ["reading", "present"],
        description: `${author} ${does} ${subject}: ${praise}. ${pages} pages with drawings throughout, bound in cloth.`,
        author,
        pages,
        material: "Cloth",
        occasion: ["Gift", "Birthday"],
        price: priceIn([9, 26], random),
        drawing: `book:${drawing}`,
        tints: [random.pick(["Sage", "Plum", "Navy", "Terracotta", "Teal", "Gold"])],
        appeal: 0.4 + random.next() * 0.6,
      };
    }),
  );
}
