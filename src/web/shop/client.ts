import type { SearchAnswer, SearchRequestInput, SuggestAnswer } from "@core/search/request";
import type { Page } from "@core/settings/page";
import { call } from "@ui/http";

export interface FrontField {
  key: string;
  label: string;
  type: string;
  role: string;
  unit: string | null;
  perOption: boolean;
}

/** What a page of the shop knows about its store. */
export interface Front {
  id: string;
  name: string;
  locale: string;
  currency: string;
  fields: FrontField[];
  filterFields: Record<string, string>;
  /** What is chosen in filters when a shopper begins a search. */
  chosen: Record<string, string[]>;
  page: Page;
  categories: { path: string[] }[];
}

/** Where the shop's pages get their answers: the live shop, or the bench with its draft. */
export interface ShopClient {
  search(request: SearchRequestInput, signal?: AbortSignal): Promise<SearchAnswer>;
  suggest(query: string, signal?: AbortSignal): Promise<SuggestAnswer>;
}

export function liveClient(store: string): ShopClient {
  const base = `/shop/${encodeURIComponent(store)}`;
  return {
    search: (request, signal) => call(`${base}/search`, { body: request, signal }),
    suggest: (query, signal) => call(`${base}/suggest`, { body: { query }, signal }),
  };
}

const CARD_ROLES = ["title", "price", "salePrice", "picture", "rating", "ratingCount", "stock"];

/** The fields that a card shows: no more of a product is asked for. */
export function cardFields(front: Front): string[] {
  return front.fields.filter((field) => CARD_ROLES.includes(field.role)).map((field) => field.key);
}

/** The key of the field with a role, for what a card shows. */
export function roleKey(front: Front, role: string): string | undefined {
  return front.fields.find((field) => field.role === role)?.key;
}
