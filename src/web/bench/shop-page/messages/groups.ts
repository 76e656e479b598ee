import { MESSAGE_IDS, type MessageId } from "@core/settings/message-texts";

type PlaceOf<Id> = Id extends `${infer Place}.${string}` ? Place : never;

/** Messages by where shoppers read them. */
const PLACES: Record<PlaceOf<MessageId>, string> = {
  box: "Search box",
  results: "Results",
  paging: "Paging",
  filters: "Filters",
  card: "Cards",
  kept: "Saved products",
  product: "Product page",
  "dead-end": "Nothing found",
  home: "First page",
  guides: "Guides",
  block: "Blocks",
  layer: "Results in a layer",
  shop: "Elsewhere",
};

interface MessageGroup {
  place: string;
  ids: MessageId[];
}

/** The messages whose text or name holds what is looked for. @param textOf what a message says now. */
export function groupsOf(wanted: string, textOf: (id: MessageId) => string): MessageGroup[] {
  const words = wanted.trim().toLowerCase();
  return Object.entries(PLACES)
    .map(([key, place]) => ({
      place,
      ids: MESSAGE_IDS.filter((id) => id.startsWith(`${key}.`) && `${place} ${id} ${textOf(id)}`.toLowerCase().includes(words)),
    }))
    .filter(({ ids }) => ids.length > 0);
}

/** Values to try a message with: one, then several. */
export const TRIALS: readonly Record<string, string | number>[] = [
  { n: 1, page: 1, pages: 1, shown: 1, total: 1 },
  { n: 1234, page: 3, pages: 52, shown: 72, total: 1234 },
].map((numbers) => ({
  category: "Plants",
  searched: "lavender",
  typed: "lavendar",
  from: "mauve",
  to: "lilac",
  words: "lavender",
  rest: "“giant”",
  filter: "Light",
  text: "Full sun",
  a: "£5",
  b: "£10",
  price: "£4.20",
  unit: "l",
  rating: "4.5",
  query: "snow shovel",
  names: "Plants, seeds, bulbs",
  ...numbers,
}));
