import { z } from "zod";
import { Badge } from "./page/badge";
import { Block } from "./page/block";
import { Card } from "./page/card";
import { Layout, LayoutOfCategory, Start } from "./page/layout";
import { Prices } from "./page/prices";
import { Sort } from "./page/sort";
import { Theme } from "./page/theme";
import { Id } from "./parts";

/** How the shop's pages are laid out, and what is on them. */

const FILTER_PLACES = ["left", "right", "over", "demand"] as const;

/** Kinds of content that can be found, beside products, which always are. */
export const CONTENT_KINDS = ["categories", "pages"] as const;

export const Page = z.strictObject({
  /** Position of the filters: beside the results on either hand, over them, or behind a button. Narrow pages have a button always. */
  filters: z.enum(FILTER_PLACES).default("left"),
  cards: z.record(Id, Card).default({}),
  badges: z.record(Id, Badge).default({}),
  /** Badges on one product. */
  mostBadges: z.number().int().min(1).max(6).default(2),
  blocks: z.record(Id, Block).default({}),
  layout: Layout.prefault({}),
  layouts: z.array(LayoutOfCategory).max(500).default([]),
  start: Start.prefault({}),
  sorts: z.record(Id, Sort).default({}),
  /** The order that holds until a shopper chooses another. */
  firstSort: Id.default("best"),
  prices: Prices.prefault({}),
  theme: Theme.prefault({}),
  /** What is searched beside products on the results page; what comes while typing is decided in the box. */
  content: z.strictObject({ results: z.array(z.enum(CONTENT_KINDS)).max(2).default(["pages"]) }).prefault({}),
});
export type Page = z.infer<typeof Page>;

/** What a shop has to know of the page: no conditions, for they may speak of what shoppers must not know. */
export const PageLook = z.strictObject({
  filters: Page.shape.filters,
  cards: z.record(Id, Card.pick({ parts: true })),
  /** The card of products that no other is for. */
  usual: Id,
  badges: z.record(Id, Badge.pick({ text: true, tone: true, colour: true, place: true })),
  layout: Layout,
  layouts: z.array(LayoutOfCategory),
  start: Start,
  firstSort: Id,
  prices: Prices,
  theme: Theme,
  content: Page.shape.content,
});
export type PageLook = z.infer<typeof PageLook>;
