import { Page } from "../src/core/settings/page";
import { type PatchOperation, set } from "../src/core/settings/patch";
import type { SettingsInput } from "../src/core/settings/schema";

type PageInput = NonNullable<SettingsInput["page"]>;

/** How Quillmoor's shop page is composed: a card for each kind of product, badges, and books beside a search for plants. */

const line = (text: string, rank: string, more: object = {}) => ({ kind: "line" as const, text: { en: text }, rank, ...more });
const picture = { kind: "picture", rank: "a0" } as const;
const title = { kind: "title", rank: "a1" } as const;
const badges = { kind: "badges", rank: "a2" } as const;
const price = { kind: "price", rank: "a6" } as const;
const rating = { kind: "rating", rank: "a7" } as const;

const CARDS: PageInput["cards"] = {
  plant: {
    name: "Plants, seeds and bulbs",
    condition: { field: "category", oneOf: ["Plants", "Seeds", "Bulbs"] },
    rank: "a0",
    parts: {
      picture,
      title,
      badges,
      botanical: line("{botanical-name}", "a3"),
      price,
      rating,
      pots: { kind: "options", field: "pot-size", as: "buttons", most: 3, rank: "a8" },
    },
  },
  book: {
    name: "Books",
    condition: { field: "category", is: "Books" },
    rank: "a1",
    parts: {
      picture: { ...picture, fit: "whole" },
      title,
      badges,
      author: line("by {author}", "a3"),
      price,
      rating,
      pages: line("{pages} pages", "a8"),
    },
  },
  tool: {
    name: "Tools and watering",
    condition: { field: "category", oneOf: ["Tools", "Watering"] },
    rank: "a2",
    parts: {
      picture,
      title,
      badges,
      brand: line("{brand}", "a3"),
      price,
      rating,
      colours: { kind: "options", field: "colour", as: "swatches", most: 5, rank: "a8" },
      guarantee: line("{guarantee}", "a9", { label: { en: "Guarantee" } }),
    },
  },
  usual: {
    name: "Usual card",
    condition: null,
    rank: "a3",
    parts: { picture, title, badges, price, rating, colours: { kind: "options", field: "colour", as: "swatches", most: 5, rank: "a8" } },
  },
};

const BADGES: PageInput["badges"] = {
  reduced: {
    name: "Reduced",
    text: { en: "{discount} % off" },
    condition: { field: ":discount", between: [1, null] },
    tone: "loss",
    rank: "a0",
  },
  few: {
    name: "Few left",
    text: { en: "{left} left" },
    condition: { field: "stock", between: [1, 3] },
    tone: "ink",
    place: "picture-end",
    rank: "a1",
  },
  new: { name: "New", text: { en: "New" }, condition: { field: "added", newerThanDays: 30 }, tone: "press", rank: "a2" },
  liked: {
    name: "Well liked",
    text: { en: "Well liked" },
    condition: { field: "rating", between: [4.8, null] },
    tone: "quiet",
    place: "text",
    rank: "a3",
  },
};

const BLOCKS: PageInput["blocks"] = {
  books: {
    title: { en: "To read about it" },
    shows: { same: { category: ["Books"] } },
    place: "inside",
    after: 12,
    most: 4,
    least: 2,
    rank: "a0",
  },
};

const page = Page.parse({ cards: CARDS, badges: BADGES, blocks: BLOCKS });

export const PAGE_SETTINGS: PatchOperation[] = [
  set(["page", "cards"], page.cards),
  set(["page", "badges"], page.badges),
  set(["page", "blocks"], page.blocks),
  set(["page", "layout", "mayChange"], true),
];
