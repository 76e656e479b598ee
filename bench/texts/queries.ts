import { Random } from "../../demo/random";
import type { TextShop } from "./shops";

export const TEXT_CLASSES = ["one word", "several words", "sentence", "known item", "known item, misspelt"] as const;
export type TextClass = (typeof TEXT_CLASSES)[number];

/** A query with how well each product serves it, by id. */
export interface JudgedQuery {
  of: TextClass;
  query: string;
  serves: Map<string, number>;
}

const SENTENCES = [
  (what: string) => `how do I use ${what}`,
  (what: string) => `something for ${what}`,
  (what: string) => `I am looking for ${what}`,
  (what: string) => `what is the best ${what}`,
  (what: string) => `where can I find a ${what} that works`,
];
const LEAST_LABELLED = 3;
const MOST_LABELLED = 60;

const wordsOf = (text: string) => text.toLowerCase().match(/\p{L}{3,}/gu) ?? [];

/** Queries of a shop: what its products are, as labels say, and single products by two rare words of their texts. */
export function queriesOf({ rows }: TextShop, perClass: number, seed = 9): JudgedQuery[] {
  const random = new Random(seed);
  const byLabel = new Map<string, Map<string, number>>();
  for (const { id, labels } of rows)
    for (const label of new Set(labels)) byLabel.set(label, (byLabel.get(label) ?? new Map<string, number>()).set(id, 1));
  const labelled = [...byLabel].filter(
    ([label, ids]) => ids.size >= LEAST_LABELLED && ids.size <= MOST_LABELLED && /^[\p{L} ']{3,}$/u.test(label),
  );
  const some = <T>(list: readonly T[]) => random.some([...list], Math.min(perClass, list.length));
  const single = some(labelled.filter(([label]) => !label.includes(" ")));
  const several = some(labelled.filter(([label]) => label.includes(" ")));
  const known = knownItems(rows, perClass, random);
  return [
    ...single.map(([query, serves]): JudgedQuery => ({ of: "one word", query, serves })),
    ...several.map(([query, serves]): JudgedQuery => ({ of: "several words", query, serves })),
    ...some(labelled).map(([label, serves], i): JudgedQuery => ({ of: "sentence", query: SENTENCES[i % SENTENCES.length](label), serves })),
    ...known,
    ...known.map(({ query, serves }): JudgedQuery => ({ of: "known item, misspelt", query: withSlip(query, random), serves })),
  ];
}

function knownItems(rows: TextShop["rows"], count: number, random: Random): JudgedQuery[] {
  const holders = new Map<string, number>();
  const words = rows.map(({ title, description }) => [...new Set(wordsOf(`${title} ${description}`))]);
  for (const own of words) for (const word of own) holders.set(word, (holders.get(word) ?? 0) + 1);
  const rare = (word: string) => (holders.get(word) ?? 0) <= Math.max(3, rows.length / 100) && word.length > 4;
  return random
    .some([...rows.keys()], Math.min(count * 2, rows.length))
    .flatMap((row): JudgedQuery[] => {
      const own = words[row].filter(rare);
      if (own.length < 2) return [];
      return [{ of: "known item", query: random.some(own, 2).join(" "), serves: new Map([[rows[row].id, 1]]) }];
    })
    .slice(0, count);
}

/** One letter of the longest word left out, doubled, swapped or another. */
function withSlip(query: string, random: Random): string {
  const longest = query.split(" ").sort((a, b) => b.length - a.length)[0];
  const at = random.whole(1, longest.length - 2);
  const [left, letter, right] = [longest.slice(0, at), longest[at], longest.slice(at + 1)];
  const slips = [
    left + right,
    left + letter + letter + right,
    left + right[0] + letter + right.slice(1),
    `${left}${random.pick([..."aeiourstln"])}${right}`,
  ];
  return query.replace(longest, random.pick(slips));
}
