import { lookUp } from "@core/records";
import type { Hit } from "@core/search/request";
import { decimal } from "@ui/format";

const EXTRAS: Record<string, string> = { position: "words near the start", proximity: "words close together", phrase: "words in a row" };

/** The points of a hit by field, and by what lies beside fields. */
function pointsBy(hit: Hit): Map<string, number> {
  const points = new Map<string, number>();
  for (const part of hit.explain?.parts ?? []) {
    const key = lookUp(EXTRAS, part.via) ? part.via : part.field;
    points.set(key, (points.get(key) ?? 0) + part.points);
  }
  return points;
}

/**
 * Why one result comes before another, in one sentence: the first that applies in the order of best match.
 * @param labelOf the label of a field by its key.
 */
export function sayBefore(first: Hit, second: Hit, labelOf: (key: string) => string): string {
  const isPinned = (hit: Hit) => hit.arranged.some(({ kind }) => kind === "pin");
  if (isPinned(first)) return `it is pinned at ${first.position}.`;
  const [a, b] = [first.explain, second.explain];
  if (a && b) {
    if (a.place !== b.place) return a.place === "first" ? "a rule puts it first." : "a rule puts this one last.";
    if (a.behind !== b.behind) return "this one answers only a part of the search.";
  }
  if (first.tier !== second.tier) return first.tier === 2 ? "its whole article number was typed." : "its whole title was typed.";
  if (!a || !b) return "of its score.";
  if (a.unavailable !== b.unavailable) return "it can be had now, and this one cannot.";
  if (a.band === b.band) {
    const tie = a.ties.find(({ value }, i) => value !== b.ties[i]?.value);
    const other = tie && b.ties[a.ties.indexOf(tie)];
    if (tie && (first.score !== second.score || other)) {
      const say = (value: number | null | undefined) => (value === null || value === undefined ? "none" : decimal(value));
      return `they match about equally (${decimal(first.score)} and ${decimal(second.score)}), and ${labelOf(tie.field)} decides: ${say(tie.value)} against ${say(other?.value)}.`;
    }
  }
  return `it has ${decimal(first.score)} points against ${decimal(second.score)}${sayMost(first, second, labelOf)}.`;
}

/** What makes the most of the difference: a factor, or a field. */
function sayMost(first: Hit, second: Hit, labelOf: (key: string) => string): string {
  const [a, b] = [pointsBy(first), pointsBy(second)];
  const factorOf = (hit: Hit) => (hit.explain?.factors ?? []).reduce((all, { factor }) => all * factor, 1);
  const [raised, plain] = [factorOf(first), factorOf(second)];
  const baseOf = (hit: Hit) => hit.explain?.base ?? 0;
  if (raised !== plain && baseOf(first) <= baseOf(second)) {
    const name = first.explain?.factors.find(({ factor }) => factor > 1)?.label;
    return raised > 1 && name
      ? `, because “${name}” multiplies it by ${decimal(raised)}`
      : `, because this one is multiplied by ${decimal(plain)}`;
  }
  const gaps = [...new Set([...a.keys(), ...b.keys()])].map((key) => ({ key, gap: (a.get(key) ?? 0) - (b.get(key) ?? 0) }));
  const [most] = gaps.sort((x, y) => y.gap - x.gap);
  if (!most || most.gap <= 0) return "";
  const name = lookUp(EXTRAS, most.key) ?? labelOf(most.key);
  return `, most by ${name}: ${decimal(a.get(most.key) ?? 0)} against ${decimal(b.get(most.key) ?? 0)}`;
}

/** The sum as a sentence: "Title says lavender: 5.1. Description: 0.6. Own brand × 1.2." */
export function saySum(hit: Hit, labelOf: (key: string) => string): string {
  if (!hit.explain) return "";
  const said = new Set<string>();
  const rows = [...pointsBy(hit)].sort(([, a], [, b]) => b - a);
  const sentences = rows.map(([key, points]) => {
    if (lookUp(EXTRAS, key)) return `${lookUp(EXTRAS, key).charAt(0).toUpperCase()}${lookUp(EXTRAS, key).slice(1)}: ${decimal(points)}.`;
    const words = [
      ...new Set(hit.explain?.parts.flatMap((part) => (part.field === key && !lookUp(EXTRAS, part.via) ? [part.matched] : []))),
    ];
    const isNew = words.some((word) => !said.has(word));
    for (const word of words) said.add(word);
    return `${labelOf(key)}${isNew && words.length > 0 && words[0] !== "" ? ` says ${words.slice(0, 3).join(", ")}` : ""}: ${decimal(points)}.`;
  });
  const factors = hit.explain.factors.map(({ label, factor }) => `${label} × ${decimal(factor)}.`);
  return [...sentences, ...factors].join(" ");
}
