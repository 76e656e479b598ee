import { z } from "zod";
import { Condition } from "./condition";
import { DRAWN } from "./drawings";
import { isTimeZone } from "./local-time";
import { Factor, Id, keeping, Label, Link, Rank, Redirect, SearchMatch, span } from "./parts";

/** An arrangement by hand of the results of single searches and of categories. */

const On = z.boolean().default(true);
const Place = z.number().int("A place is a whole number.").min(1, "A place is at least 1.").max(10_000, "A place is at most 10,000.");

/** Products that stand one after another, in this order, from a place on. */
const PinGroup = z.strictObject({ place: Place, products: z.array(Id).min(1, "Name at least one product.").max(500) });

const rule = { condition: Condition, on: On, rank: Rank };
/** What is done to all products of a condition on the shelf. */
export const ShelfRule = z.discriminatedUnion("does", [
  /** Raised or lowered: a factor on the score. */
  z.strictObject({ does: z.literal("strength"), ...rule, factor: Factor }),
  /** The best of them before all that is not placed by hand; as many as `most`, all when null. */
  z.strictObject({ does: z.literal("first"), ...rule, most: z.number().int().min(1).max(1000).nullable().default(null) }),
  /** Behind all else. */
  z.strictObject({ does: z.literal("last"), ...rule }),
  z.strictObject({ does: z.literal("exclude"), ...rule }),
]);
export type ShelfRule = z.infer<typeof ShelfRule>;

export const DRAWINGS = Object.keys(DRAWN) as (keyof typeof DRAWN)[];
export const BANNER_TONES = ["press", "gain", "loss", "ink", "quiet"] as const;
export const Banner = z.strictObject({
  title: Label,
  text: Label,
  picture: z.string().max(2000).nullable().default(null),
  /** A drawing that comes with the shop, where there is no picture. */
  drawing: z.enum(DRAWINGS).nullable().default(null),
  tone: z.enum(BANNER_TONES).default("quiet"),
  link: Link.nullable().default(null),
  /** Results before it, where it takes a space among them; null above them. */
  after: z.number().int().min(0).max(200).nullable().default(null),
});
export type Banner = z.infer<typeof Banner>;

const TimeOfDay = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, "A time of day is written as 08:30.");
export const DEVICES = ["phone", "tablet", "desktop"] as const;

/** Further conditions of a shelf; all that are set must hold. */
export const When = z
  .strictObject({
    /** Whose days and hours are meant. */
    timeZone: z.string().max(60).refine(isTimeZone, "A time zone is a name such as Europe/London.").default("UTC"),
    /** 1 Monday to 7 Sunday; none for every day. */
    weekdays: z.array(z.number().int().min(1).max(7)).max(7).default([]),
    /** From one time of day up to another; through the night when the first is the later, and then it belongs to the day on which it begins. */
    hours: z.strictObject({ from: TimeOfDay, until: TimeOfDay }).nullable().default(null),
    devices: z.array(z.enum(DEVICES)).max(3).default([]),
    languages: z.array(z.string().max(35)).max(50).default([]),
    /** Only while a value of each of these filters is chosen: one of those named, any when none is. Then the shelf orders and shows its banner, and brings or keeps out nothing. */
    filters: z.record(Id, z.array(z.string().max(400)).max(200)).default({}),
  })
  .prefault({});
export type When = z.infer<typeof When>;

export const Shelf = z
  .strictObject({
    name: z.string().max(200),
    searches: z.array(SearchMatch).max(500),
    categories: z.array(z.array(z.string().max(200)).max(12)).max(500),
    on: On,
    rank: Rank,
    /** Product id to place, from 1. */
    pins: z.record(Id, Place).default({}),
    pinGroups: z.record(Id, PinGroup).default({}),
    add: z.array(Id).max(5000).default([]),
    /** Whole selections that it brings. */
    addSelections: z.array(Id).max(200).default([]),
    exclude: z.array(Id).max(5000).default([]),
    /** Product id to factor on its score. */
    strength: z.record(Id, Factor).default({}),
    rules: z.record(Id, ShelfRule).default({}),
    /** The last place of the shelf, within which what it brings comes first; null for none. */
    end: z.number().int().min(0).max(10_000).nullable().default(null),
    /** What comes behind the end. */
    after: z.enum(["nothing", "results"]).default("nothing"),
    soldOut: z.enum(["keep", "close", "last"]).default("keep"),
    banner: Banner.nullable().default(null),
    redirect: Redirect.nullable().default(null),
    ...span,
    when: When,
    note: z.string().max(2000).default(""),
    ...keeping,
  })
  .refine((shelf) => shelf.redirect === null || Object.keys(shelf.when.filters).length === 0, {
    path: ["redirect"],
    message: "A shelf that waits for chosen filters cannot redirect: a redirect acts before filters.",
  });
export type Shelf = z.infer<typeof Shelf>;
