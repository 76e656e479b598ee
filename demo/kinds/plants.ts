import type { Sketch } from "../product";
import { Random } from "../random";
import { BRANDS, monthsBetween, type Namer, span } from "../words/names";
import { GENERA, type Genus } from "./genera";

const OPENERS = [
  (colour: string, months: string, height: number) => `It flowers in ${colour} ${months} and grows to about ${height} cm.`,
  (colour: string, months: string, height: number) => `Expect ${colour} flowers ${months} on plants of ${height} cm or so.`,
  (colour: string, months: string, height: number) => `The flowers are ${colour} and come ${months}; the plant reaches ${height} cm.`,
];
const LEAF_OPENERS = [
  (colour: string, height: number) => `The leaves are ${colour}, and it grows to about ${height} cm.`,
  (colour: string, height: number) => `It reaches ${height} cm, with ${colour} leaves.`,
];
const SPECIAL = [
  "Found as a chance seedling at the end of a bench and grown on for the shape of the plant.",
  "Chosen from our trial beds, where it outlasted forty others through a wet summer.",
  "A steady favourite with our customers for its long season.",
  "New from the nursery this year, and already the one we take home ourselves.",
  "An older kind, kept going by a few growers who knew what they had.",
  "Raised for good health, and we have yet to see it mildewed.",
  "The best of its colour that we grow.",
  "A plant with a presence: one is enough to make a corner.",
];

/** Plants in pots: every genus in several invented cultivars. */
export function plants(random: Random, namer: Namer): Sketch[] {
  return GENERA.flatMap((genus) => Array.from({ length: Random.stocked(genus.count) }, (_, i) => plant(genus, i, random, namer)));
}

function plant(genus: Genus, i: number, random: Random, namer: Namer): Sketch {
  const colour = genus.colours[i % genus.colours.length];
  const height = roundTo(random.whole(genus.height[0], genus.height[1]), genus.height[1] > 100 ? 10 : 5);
  const cultivar = namer.cultivar();
  const isLeafy = genus.flowers[0] === 0;
  const isFruit = genus.category[1] === "Fruit";
  const price = priceIn(genus.price, random);
  const special = random.chance(0.55) ? `${random.pick(SPECIAL)} ` : "";
  const look = isLeafy
    ? random.pick(LEAF_OPENERS)(colour.toLowerCase(), height)
    : isFruit
      ? `It is in flower ${span(genus.flowers[0], genus.flowers[1])} and ripens ${colour.toLowerCase()} fruit; allow it ${height} cm.`
      : random.pick(OPENERS)(colour.toLowerCase(), span(genus.flowers[0], genus.flowers[1]), height);
  // Some suppliers send the botanical name alone: a shopper's word for the plant is then in no title.
  const isBotanical = i % 9 === 7 && genus.botanical.includes(" ");
  const about = isBotanical ? genus.about.map((line) => renamed(line, genus)) : genus.about;
  return {
    kind: genus.name,
    title: isBotanical
      ? `${genus.botanical} ${cultivar}`
      : i % 7 === 3
        ? `${cultivar} ${lowerFirst(genus.name)}`
        : `${genus.name} ${cultivar}`,
    botanicalName: genus.botanical,
    brand: random.pick(BRANDS.plants),
    category: genus.category,
    tags: [...genus.tags, ...(genus.hardyTo > -3 && genus.category[1] !== "House plants" ? ["frost-tender"] : [])],
    description: `${about[0]} ${look} ${special}${about[1]} ${genus.care}`,
    ...(isLeafy || isFruit ? {} : { flowerColour: [colour], flowering: monthsBetween(genus.flowers[0], genus.flowers[1]) }),
    height: `${height} cm`,
    spread: `${roundTo(Math.min(height * (0.5 + random.next() * 0.5), 400), 5)} cm`,
    light: genus.light,
    soil: random.some(genus.soil, Math.max(1, genus.soil.length - (random.chance(0.3) ? 1 : 0))),
    hardyTo: `${genus.hardyTo} °C`,
    evergreen: genus.evergreen ?? false,
    scented: genus.scented ?? false,
    goodForBees: genus.bees ?? false,
    peatFree: random.chance(0.8),
    price,
    drawing: genus.drawing,
    tints: [colour],
    appeal: 0.6 + random.next() * 1.4,
    ...potVariants(genus, price, random),
  };
}

/** A sentence with the botanical name in place of the common one, its article set right. */
function renamed(line: string, genus: Genus): string {
  return line
    .replaceAll(genus.name, genus.botanical.split(" ")[0])
    .replace(/\b(A|a) (?=[AEIO])/g, "$1n ")
    .replace(/\b(A|a)n (?=[^AEIOaeio])/g, "$1 ");
}

/** Pot sizes a plant is sold in, the small one at the plain price. */
function potVariants(genus: Genus, price: number, random: Random): Pick<Sketch, "potSize" | "variants"> {
  if (genus.tags.includes("bare root") && random.chance(0.6)) return { potSize: "Bare root" };
  const isLarge = ["Trees", "Roses", "Climbers"].includes(genus.category[1]) || genus.price[0] > 13;
  const sizes = isLarge ? ["3 litre", "5 litre", "10 litre"] : ["9 cm", "2 litre", "5 litre"];
  const count = random.pick([1, 2, 2, 3]);
  if (count === 1) return { potSize: sizes[0] };
  const factors = [1, 1.8, 2.9];
  return { variants: sizes.slice(0, count).map((potSize, i) => ({ potSize, price: tidy(price * factors[i]) })) };
}

export function priceIn([from, to]: [number, number], random: Random): number {
  return tidy(from + random.next() * (to - from));
}

/** A price as shops write them: £6.50, £6.95. */
export function tidy(amount: number): number {
  const base = Math.max(0.5, Math.round(amount * 4) / 4);
  const pence = Math.round((base % 1) * 100);
  return pence === 0 ? Math.max(0.99, base - 0.05) : pence === 75 ? Math.floor(base) + 0.75 : base;
}

function roundTo(value: number, step: number): number {
  return Math.max(step, Math.round(value / step) * step);
}

export function lowerFirst(text: string): string {
  return /^(English|French|Japanese|Swiss|Black-eyed)/.test(text) ? text : text.charAt(0).toLowerCase() + text.slice(1);
}
