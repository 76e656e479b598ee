import { z } from "zod";

export const DEVICES = ["phone", "tablet", "desktop"] as const;
export const PLACES = ["results", "category", "typing"] as const;

/** What a shopper did. There is nothing about the person: a visit is a random number that ends with the visit. */
export const ShopperEvent = z
  .strictObject({
    visit: z.string().min(1).max(64),
    kind: z.enum(["search", "click", "basket", "order"]),
    /** The search that a click, a basket or an order came from. */
    searchId: z.string().max(64).optional(),
    query: z.string().max(512).optional(),
    product: z.string().max(200).optional(),
    /** Place among the results, from 1. */
    position: z.number().int().min(1).max(1_000_000).optional(),
    /** The product on whose page a click was made, among those that are beside it. */
    beside: z.string().max(200).optional(),
    at: z.iso.datetime({ offset: true }).optional(),
    /** By which it counts once, however often it is sent. */
    id: z.string().min(1).max(100).optional(),
    /** Of a basket or an order: what this product comes to, in a currency (ISO 4217; the store's where none is named). */
    value: z.number().min(0).max(1_000_000_000).optional(),
    currency: z
      .string()
      .regex(/^[A-Z]{3}$/, "A currency is a code of three capitals such as GBP.")
      .optional(),
    device: z.enum(DEVICES).optional(),
    language: z.string().min(2).max(35).optional(),
    /** Where it was searched; results where nothing is said. */
    place: z.enum(PLACES).optional(),
    /** Whether it is known that no person did it. */
    bot: z.boolean().optional(),
  })
  .meta({ id: "ShopperEvent" });
export type ShopperEvent = z.infer<typeof ShopperEvent>;

/** What the shopper got, which the server knows and adds to the search. */
export const Shown = z
  .strictObject({
    searched: z.string(),
    outcome: z.string(),
    total: z.number().int(),
    /** Ids of the first products, in their order. */
    shown: z.array(z.string()),
    /** Ids of the word rules, shelves and boosts that took part, and filters in which something was chosen, by `filterName`. */
    rules: z.array(z.string()),
  })
  .meta({ id: "Shown" });
export type Shown = z.infer<typeof Shown>;

const FILTER = "filter:";

/** A filter's name among the rules of a logged search. */
export const filterName = (id: string): string => FILTER + id;

/** Whether something was chosen in a filter: then the search was made before, and is only narrowed now. */
export const isNarrowed = (rules: readonly string[]): boolean => rules.some((rule) => rule.startsWith(FILTER));

/** A line of the log. Times are ISO 8601 in UTC. */
export interface LoggedEvent extends Omit<ShopperEvent, "at">, Partial<Shown> {
  at: string;
}
