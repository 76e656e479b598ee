import { lookUp } from "../records";
import type { Filter, FilterValueRule } from "./filter";
import { labelIn } from "./ranked";

/** Availability of products and options, as a field that no feed holds. */
export const AVAILABILITY = ":availability";

/** The fields that a filter reads. */
export function fieldsOfFilter({ from }: Pick<Filter, "from">): string[] {
  return from.flatMap((source) => ("field" in source ? [source.field] : []));
}

/** What a filter is called: as somebody named it, else as its first field is. @param labelOf the label of a field by its key. */
export function nameOfFilter(
  filter: Pick<Filter, "from" | "label">,
  id: string,
  language: string,
  labelOf: (key: string) => string,
): string {
  const [field] = fieldsOfFilter(filter);
  return labelIn(filter.label, language, field === undefined ? id : labelOf(field));
}

/** The name by which requests know a value that something was done to by hand. */
export function valueOfRule(id: string, { of, label }: FilterValueRule, locale: string): string {
  return of.length === 1 ? of[0] : labelIn(label, locale, id);
}

/** What a shop has to know of the filters before anything is searched: the field of each, and what is chosen from the start. */
export function frontOfFilters(
  filters: Readonly<Record<string, Filter>>,
  locale: string,
): { filterFields: Record<string, string>; chosen: Record<string, string[]> } {
  const filterFields = Object.fromEntries(Object.entries(filters).map(([id, filter]) => [id, fieldsOfFilter(filter)[0] ?? ""]));
  const chosen = Object.entries(filters).flatMap(([id, { on, values }]) => {
    const taken = Object.entries(values).filter(([, rule]) => rule.chosen && !rule.hidden);
    return on && taken.length > 0 ? [[id, taken.map(([key, rule]) => valueOfRule(key, rule, locale))] as const] : [];
  });
  return { filterFields, chosen: Object.fromEntries(chosen) };
}

/** The filters in which a shopper chose something, other than what is chosen from the start. */
export function filtersUsed(
  choices: Readonly<Record<string, { any: string[] } | { min?: number | null; max?: number | null }>>,
  chosen: Readonly<Record<string, string[]>>,
): string[] {
  return Object.entries(choices).flatMap(([id, choice]) => {
    if ("any" in choice) return choice.any.length > 0 && choice.any.join("\n") !== lookUp(chosen, id)?.join("\n") ? [id] : [];
    return choice.min == null && choice.max == null ? [] : [id];
  });
}
