import type { Operation } from "fast-json-patch";

/** What Quillmoor's merchandisers have decided so far. The word for eggplant is left for whoever tries the bench. */

const attribute = (key: string, weight: number): Operation => ({ op: "replace", path: `/attributes/${key}/weight`, value: weight });
const filter = (field: string, label: string, display: string, rank: string, order = "count") => [
  field,
  { from: [{ field }], label: { en: label }, display, order, on: true, rank },
];

export const FIRST_SETTINGS: Operation[] = [
  attribute("title", 8),
  attribute("botanical-name", 5),
  attribute("category", 4),
  attribute("tags", 2),
  attribute("description", 1),
  {
    op: "replace",
    path: "/filters",
    value: Object.fromEntries([
      filter("category", "Department", "ticks", "a0"),
      filter("price", "Price", "histogram", "a1"),
      filter("flower-colour", "Flower colour", "swatches", "a2"),
      filter("light", "Light", "ticks", "a3"),
      filter("height", "Height", "histogram", "a4"),
      filter("pot-size", "Pot size", "buttons", "a5", "natural"),
      filter("good-for-bees", "Good for bees", "yes-no", "a6"),
      filter("material", "Material", "ticks", "a7"),
      filter("brand", "Brand", "ticks", "a8"),
    ]),
  },
];

const same = (...words: string[]) => ({ does: "same", words, quality: 0.9, on: true });

/** @param bestBulbs ids of the spring bulbs that sell best, which stand first in the season. */
export const laterSettings = (bestBulbs: readonly string[]): Record<"words" | "shelves", Operation[]> => ({
  words: [
    { op: "add", path: "/words/courgette", value: same("courgette", "zucchini") },
    { op: "add", path: "/words/coriander", value: same("coriander", "cilantro") },
    { op: "add", path: "/words/secateurs", value: same("secateurs", "pruners", "pruning shears") },
    { op: "add", path: "/words/hosepipe", value: same("hosepipe", "garden hose") },
    { op: "add", path: "/words/fuschia", value: { does: "read", words: ["fuschia", "fushia"], to: ["fuchsia"], on: true } },
    {
      op: "add",
      path: "/words/red",
      value: { does: "also", words: ["red"], to: ["crimson", "claret", "scarlet"], quality: 0.9, on: true },
    },
    { op: "add", path: "/words/for", value: { does: "ignore", words: ["for", "the", "a", "and", "with", "in", "size"], on: true } },
  ],
  shelves: [
    {
      op: "add",
      path: "/shelves/bulbs",
      value: {
        name: "Bulb season",
        searches: [{ match: "is", text: "bulbs" }],
        categories: [],
        on: true,
        rank: "a0",
        pins: Object.fromEntries(bestBulbs.map((id, i) => [id, i + 1])),
        strength: {},
        from: "2026-09-01T00:00:00Z",
        until: "2026-12-15T00:00:00Z",
      },
    },
    { op: "replace", path: "/deadEnd/message", value: { en: "We have nothing for “{query}”." } },
    {
      op: "replace",
      path: "/deadEnd/tips",
      value: { en: ["Try a more general word, such as “rose” for a kind of rose.", "Search by an article number, whole or in part."] },
    },
    { op: "replace", path: "/deadEnd/searches", value: ["lavender", "spring bulbs", "bird feeder"] },
  ],
});
