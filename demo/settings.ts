import { OwnSearch } from "../src/core/settings/box/box";
import { Filter } from "../src/core/settings/filter";
import { add, type PatchOperation, set } from "../src/core/settings/patch";
import { DeadEndAnswer, type SettingsInput, Shelf } from "../src/core/settings/schema";

type FilterInput = NonNullable<SettingsInput["filters"]>[string];
type ShelfInput = NonNullable<SettingsInput["shelves"]>[string];

/** What Quillmoor's merchandisers have decided so far. The word for eggplant is left for whoever tries the bench. */

const attribute = (key: string, weight: number): PatchOperation => set(["attributes", key, "weight"], weight);
const filter = (
  field: string,
  label: string,
  display: FilterInput["display"],
  rank: string,
  order: FilterInput["order"] = "count",
): [string, Filter] => [field, Filter.parse({ from: [{ field }], label: { en: label }, display, order, rank })];

export const FIRST_SETTINGS: PatchOperation[] = [
  attribute("title", 8),
  attribute("botanical-name", 5),
  attribute("category", 4),
  attribute("tags", 2),
  attribute("description", 1),
  set(
    ["filters"],
    Object.fromEntries([
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
  ),
];

/** What somebody thought would make the search tidier, and what it took to mend it. */
export const BAD_SETTINGS: PatchOperation[] = ["category", "tags", "description", "botanical-name"].map((key) =>
  set(["attributes", key, "searchable"], false),
);
export const MENDED_SETTINGS: PatchOperation[] = BAD_SETTINGS.map((operation) => ({ ...operation, value: true }) as PatchOperation);

const same = (...words: string[]) => ({ does: "synonym" as const, words, quality: 0.9, on: true });

const DAY = 86_400_000;

/** Shelves that change no order of today: one announces, one is planned for the weeks before Christmas, one leads to a guide. */
function seasonShelves(now: number): PatchOperation[] {
  const year = new Date(now - 360 * DAY).getUTCFullYear() + 1;
  const shelf = (id: string, value: Omit<ShelfInput, "categories" | "on" | "when">): PatchOperation =>
    add(["shelves", id], Shelf.parse({ categories: [], when: { timeZone: "Europe/London" }, ...value }));
  return [
    shelf("roses", {
      name: "Roses in their pots",
      searches: [{ match: "is", text: "roses" }],
      rank: "a1",
      banner: {
        title: { en: "Roses settle best before the frost" },
        text: { en: "Planted now, they flower in June." },
        drawing: "sprig",
        link: { to: "page", value: "how-to-plant-a-climbing-rose" },
      },
      owner: "Maud Ellerby",
      review: new Date(now + 60 * DAY).toISOString().slice(0, 10),
    }),
    shelf("gifts", {
      name: "Gifts before Christmas",
      searches: [{ match: "contains", text: "gift" }],
      rank: "a2",
      rules: {
        own: { does: "strength", condition: { field: "brand", is: "Quillmoor" }, factor: 1.5, on: true, rank: "a0" },
      },
      banner: {
        title: { en: "Under the tree in time" },
        text: { en: "Ordered by the 20th, it is there by the 24th." },
        drawing: "parcel",
        tone: "press",
        after: 2,
      },
      from: `${year}-12-01T00:00:00Z`,
      until: `${year}-12-24T12:00:00Z`,
      owner: "Perrin Dale",
    }),
    shelf("delivery", {
      name: "Questions about delivery",
      searches: [
        { match: "is", text: "delivery" },
        { match: "is", text: "returns" },
        { match: "contains", text: "postage" },
      ],
      rank: "a3",
      redirect: { to: "page", value: "delivery-and-returns" },
    }),
  ];
}

/**
 * @param bestBulbs ids of the spring bulbs that sell best, which come first in the season.
 * @param now in milliseconds since 1970 UTC; what is planned lies ahead of it.
 */
export const laterSettings = (bestBulbs: readonly string[], now: number): Record<"words" | "shelves", PatchOperation[]> => ({
  words: [
    add(["words", "courgette"], same("courgette", "zucchini")),
    add(["words", "coriander"], same("coriander", "cilantro")),
    add(["words", "secateurs"], same("secateurs", "pruners", "pruning shears")),
    add(["words", "hosepipe"], same("hosepipe", "garden hose")),
    add(["words", "fuschia"], { does: "rewrite", words: ["fuschia", "fushia"], to: ["fuchsia"], on: true }),
    add(["words", "red"], { does: "one-way", words: ["red"], to: ["crimson", "claret", "scarlet"], quality: 0.9, on: true }),
    add(["words", "for"], { does: "ignore", words: ["for", "the", "a", "and", "with", "in", "size"], on: true }),
  ],
  shelves: [
    add(
      ["shelves", "bulbs"],
      Shelf.parse({
        name: "Bulb season",
        searches: [{ match: "is", text: "bulbs" }],
        categories: [],
        on: true,
        rank: "a0",
        pins: Object.fromEntries(bestBulbs.map((id, i) => [id, i + 1])),
        strength: {},
        from: "2026-09-01T00:00:00Z",
        until: "2026-12-15T00:00:00Z",
      }),
    ),
    ...seasonShelves(now),
    set(["deadEnd", "message"], { en: "We have nothing for “{query}”." }),
    set(["deadEnd", "tips"], {
      en: ["Try a more general word, such as “rose” for a kind of rose.", "Search by an article number, whole or in part."],
    }),
    set(["deadEnd", "searches"], ["lavender", "spring bulbs", "bird feeder"]),
    add(
      ["deadEnd", "answers", "aquarium"],
      DeadEndAnswer.parse({
        searches: [{ match: "contains", text: "aquarium" }],
        message: { en: "No aquariums here, but all that a pond needs." },
        proposals: ["pond plants", "water lily"],
      }),
    ),
    set(["box", "list"], ownList(now)),
  ],
});

/** Searches that the shop wants completed: what it would tell a customer at the counter. */
function ownList(now: number): Record<string, OwnSearch> {
  const year = new Date(now).getUTCFullYear();
  const entries: [text: string, priority: number, more?: object][] = [
    ["lavender for hedges", 80],
    ["climbing roses", 70],
    ["plants for shade", 60],
    ["tomato seeds", 60],
    ["bulbs for pots", 50, { from: `${year}-08-15T00:00:00Z`, until: `${year}-12-15T00:00:00Z` }],
    ["gift vouchers", 40],
    ["delivery", 30],
    ["pond pumps", 20],
  ];
  return Object.fromEntries(
    entries.map(([text, priority, more]) => [text.replaceAll(" ", "-"), OwnSearch.parse({ text, priority, ...more })]),
  );
}
