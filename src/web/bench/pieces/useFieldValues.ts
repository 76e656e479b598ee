import { useAsk, useFact } from "../ask/useAsk";

const SOME = 30;
const ALL = 5000;
const NONE: { value: string; products: number }[] = [];

/** Some values of a field that hold a text, the most frequent first. */
export function useFieldValues(field: string | null, search: string): string[] {
  const question = field === null ? null : { params: { key: field }, query: { search, limit: SOME } };
  const values = useFact("GET /api/stores/{store}/fields/{key}/values", question, { pause: 120 })?.values ?? NONE;
  return values.map(({ value }) => value);
}

/** All values of a field with their number of products. */
export const useAllValues = (field: string) =>
  useAsk("GET /api/stores/{store}/fields/{key}/values", { params: { key: field }, query: { limit: ALL } }).data?.values ?? NONE;
