import { compareValues } from "@core/filters/order";
import type { FilterLook } from "@core/insights/measure/filter-look";
import { lookUp } from "@core/records";
import type { Filter, FilterValueRule } from "@core/settings/filter";
import { freeId } from "@core/settings/patch";
import { generateNKeysBetween } from "fractional-indexing";

/** A line of the values' table: what shoppers are offered, whatever was done to it. */
export interface ValueLine {
  /** As requests name it. */
  key: string;
  /** The rule by hand behind it; null where it is as the feed has it. */
  rule: string | null;
  /** Raw values and groups in it. */
  of: string[];
  label: string;
  count: number;
  here: number;
  colour: string | null;
  picture: string | null;
  isHidden: boolean;
  isChosen: boolean;
  rank: string | null;
}

type Rules = Filter["values"];
const PLAIN: Omit<FilterValueRule, "of"> = { label: {}, hidden: false, chosen: false, colour: null, picture: null, rank: null };

/** The lines in the order in which shoppers see them. */
export function linesOf(look: FilterLook, { values: rules, order }: Pick<Filter, "values" | "order">, language: string): ValueLine[] {
  const known = new Map(look.values.map((value) => [value.value, value]));
  const ruled = new Set<string>();
  const lines: ValueLine[] = [];
  for (const [id, rule] of Object.entries(rules)) {
    const label = lookUp(rule.label, language) || Object.values(rule.label).find(Boolean) || rule.of[0];
    for (const value of rule.of) ruled.add(value);
    if (rule.of.length > 1) for (const value of Object.values(rule.label)) if (known.has(value)) ruled.add(value);
    const key = rule.of.length === 1 ? rule.of[0] : label;
    const offered = lookUp(look.offered, key);
    const first = known.get(rule.of[0]);
    lines.push({
      key,
      rule: id,
      of: rule.of,
      label,
      count: offered?.count ?? 0,
      here: offered?.here ?? 0,
      colour: rule.colour ?? first?.colour ?? null,
      picture: rule.picture,
      isHidden: rule.hidden,
      isChosen: rule.chosen,
      rank: rule.rank,
    });
  }
  for (const { value, colour, count, here } of look.values) {
    if (ruled.has(value)) continue;
    lines.push({
      key: value,
      rule: null,
      of: [value],
      label: value,
      count,
      here,
      colour,
      picture: null,
      isHidden: false,
      isChosen: false,
      rank: null,
    });
  }
  return lines.sort(compareValues(order));
}

/** The rules with something done to a line; what is as the feed has it again needs no rule. */
export function changed(rules: Rules, line: ValueLine, part: Partial<FilterValueRule>): Rules {
  const { [line.rule ?? ""]: old, ...others } = rules;
  const next: FilterValueRule = { ...PLAIN, ...old, ...part, of: part.of ?? line.of };
  return isPlain(next) ? others : { ...others, [line.rule ?? freeId(rules, line.of[0])]: next };
}

function isPlain(rule: FilterValueRule): boolean {
  const { label, hidden, chosen, colour, picture, rank, of } = rule;
  const isNamed = Object.values(label).some((text) => text !== "" && text !== of[0]);
  return of.length === 1 && !isNamed && !hidden && !chosen && colour === null && picture === null && rank === null;
}

/** The rules with a line called otherwise. An empty name, or its own, puts it back. */
export function renamed(rules: Rules, line: ValueLine, name: string, language: string): Rules {
  const old = lookUp(rules, line.rule ?? "")?.label ?? {};
  const { [language]: _was, ...others } = old;
  const isOwn = name === "" || (line.of.length === 1 && name === line.of[0]);
  return changed(rules, line, { label: isOwn ? others : { ...others, [language]: name } });
}

/** The rules with several lines under one name. */
export function merged(rules: Rules, lines: readonly ValueLine[], name: string, language: string): Rules {
  const ids = new Set(lines.map(({ rule }) => rule));
  const others = Object.fromEntries(Object.entries(rules).filter(([id]) => !ids.has(id)));
  const kept = lines.map(({ rule }) => lookUp(rules, rule ?? "")).find((rule) => rule !== undefined);
  const of = [...new Set(lines.flatMap((line) => line.of))];
  return { ...others, [freeId(others, name)]: { ...PLAIN, ...kept, of, label: { ...kept?.label, [language]: name }, hidden: false } };
}

/** The rules with what is done to a line taken back. */
export function restored(rules: Rules, line: ValueLine): Rules {
  const { [line.rule ?? ""]: _gone, ...others } = rules;
  return others;
}

/** The rules with a line moved to a place: it and all that come before it are then in order by hand, the rest behind. */
export function moved(rules: Rules, lines: readonly ValueLine[], key: string, place: number): Rules {
  const from = lines.findIndex((line) => line.key === key);
  if (from < 0) return rules;
  const next = lines.toSpliced(from, 1).toSpliced(place, 0, lines[from]);
  const byHand =
    Math.max(
      place,
      next.findLastIndex((line) => line.rank !== null),
    ) + 1;
  const ranks = generateNKeysBetween(null, null, byHand);
  return next.slice(0, byHand).reduce<Rules>((all, line, i) => changed(all, line, { rank: ranks[i] }), rules);
}

/** The rules with no order by hand. */
export function unordered(rules: Rules, lines: readonly ValueLine[]): Rules {
  return lines.reduce<Rules>((all, line) => (line.rank === null ? all : changed(all, line, { rank: null })), rules);
}
