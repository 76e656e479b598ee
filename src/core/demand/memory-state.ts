import type { CountState, NumberedEvent, OpenSearch, OpenVisit, Segment } from "./count";

/** What is known between portions of a count, in memory: for logs that are counted once. `names` are what the numbers stand for. */
export function memoryState(): CountState & { names: string[] } {
  const searches = new Map<string, OpenSearch>();
  const visits = new Map<string, OpenVisit>();
  const early = new Map<string, NumberedEvent[]>();
  const names: string[] = [];
  const numbers = new Map<string, number>();
  const nameOf = (name: string): number => {
    const known = numbers.get(name) ?? names.push(name) - 1;
    numbers.set(name, known);
    return known;
  };
  return {
    names,
    search: (id) => searches.get(id) ?? null,
    putSearch: (id, search) => void searches.set(id, search),
    visit: (id) => visits.get(id) ?? null,
    putVisit: (id, visit) => void visits.set(id, visit),
    segment: ({ isBot, device, place }: Segment) => nameOf(`segment ${isBot} ${device} ${place}`),
    text: (key) => nameOf(`text ${key}`),
    product: (id) => nameOf(`product ${id}`),
    rule: (id) => nameOf(`rule ${id}`),
    takeEarly: (id) => {
      const found = early.get(id) ?? [];
      early.delete(id);
      return found;
    },
    putEarly: (id, event) => void early.set(id, [...(early.get(id) ?? []), event]),
  };
}
