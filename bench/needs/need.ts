import { SHADES_BY_COLOUR } from "../../demo/log/words";

/** What would serve a shopper: a condition on what products are, not on their words. */
export interface TypedNeed {
  query: string;
  /** Alternatives, each with all that a product must be; none where the shop has nothing of it. */
  either: readonly Demand[][];
  /** Half of the needs are not looked at while the search is worked on. */
  isHeldBack: boolean;
}

type Demand = (item: Item) => boolean;

/** A product as needs speak of it. */
export interface Item {
  id: string;
  kind: string;
  category: readonly string[];
  /** Of the product and its options. */
  colours: readonly string[];
  tags: readonly string[];
  light: readonly string[];
  soil: readonly string[];
  months: readonly string[];
  sowing: readonly string[];
  sizes: readonly string[];
  /** What is paid for the product in any of its options. */
  prices: readonly number[];
  height: number | null;
  is: readonly string[];
}

const DEMANDS: Record<string, (wanted: readonly string[]) => Demand> = {
  // A kind is named by its last words: a climbing rose is a rose, rose feed is none.
  kind:
    (wanted) =>
    ({ kind }) =>
      wanted.some((name) => kind === name || kind.endsWith(` ${name}`)),
  in:
    (wanted) =>
    ({ category }) =>
      wanted.some((name) => category.includes(name)),
  colour: (wanted) => {
    const shades = new Set(wanted.flatMap((name) => SHADES_BY_COLOUR[name] ?? [name]));
    return ({ colours }) => colours.some((colour) => shades.has(colour));
  },
  tag: oneOf(({ tags }) => tags),
  light: oneOf(({ light }) => light),
  soil: oneOf(({ soil }) => soil),
  month: oneOf(({ months }) => months),
  sow: oneOf(({ sowing }) => sowing),
  size: oneOf(({ sizes }) => sizes),
  is: oneOf(({ is }) => is),
  price: (wanted) => within(wanted[0], ({ prices }) => prices),
  height: (wanted) => within(wanted[0], ({ height }) => (height === null ? [] : [height])),
};

function oneOf(valuesOf: (item: Item) => readonly string[]): (wanted: readonly string[]) => Demand {
  return (wanted) => (item) => valuesOf(item).some((value) => wanted.includes(value));
}

function within(range: string, numbersOf: (item: Item) => readonly number[]): Demand {
  const [least, most] = range.split("..").map((end, i) => (end === "" ? [-Infinity, Infinity][i] : Number(end)));
  return (item) => numbersOf(item).some((number) => number >= least && number <= most);
}

/**
 * Reads needs, one a line: "query = demand; demand or demand". A demand is a word of the table above with values, any of which will
 * do: "kind climbing rose|rambling rose; colour red". "none" says that the shop has nothing of the kind.
 */
export function readNeeds(text: string): TypedNeed[] {
  return text
    .trim()
    .split("\n")
    .map((line, i) => {
      const [query, wanted] = line.split(" = ");
      const either = wanted === "none" ? [] : wanted.split(" or ").map((all) => all.split("; ").map(readDemand));
      return { query, either, isHeldBack: i % 2 === 1 };
    });
}

function readDemand(text: string): Demand {
  const [name, ...rest] = text.split(" ");
  const values = rest.join(" ").split("|");
  if (!(name in DEMANDS) || values[0] === "") throw new Error(`“${text}” is no demand.`);
  return DEMANDS[name](name === "kind" ? values.map((value) => value.toLowerCase()) : values);
}

/** The outcome of a search, as far as it is judged. */
export interface SearchOutcome {
  ids: readonly string[];
  outcome: string;
}

export type Judgement = "good" | "fair" | "absurd";

const FIRST = 10;
const ENOUGH = 7;
const AT_ONCE = 5;

/**
 * Good: seven of the first ten serve, or all there are. Absurd: none of the first five does. Where the shop has nothing of it, good is
 * whatever says so, and absurd what comes as full results.
 */
export function judge({ either }: TypedNeed, items: ReadonlyMap<string, Item>, { ids, outcome }: SearchOutcome): Judgement {
  if (either.length === 0) return outcome === "results" ? "absurd" : "good";
  const serves = (item: Item | undefined) => item !== undefined && either.some((all) => all.every((demand) => demand(item)));
  const there = [...items.values()].filter(serves).length;
  const found = ids.slice(0, FIRST).map((id) => serves(items.get(id)));
  if (found.filter(Boolean).length >= Math.min(ENOUGH, there)) return "good";
  return found.slice(0, AT_ONCE).some(Boolean) ? "fair" : "absurd";
}
