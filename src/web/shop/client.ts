import type { ReadMessages } from "@core/messages/read";
import type { ProductCard, SearchAnswer, SearchRequestInput } from "@core/search/request";
import type { BoxLook } from "@core/settings/box/box";
import type { PageLook } from "@core/settings/page";
import type { SuggestAnswer } from "@core/suggest/request";
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
  /** The language of labels and messages. */
  language: string;
  languages: string[];
  currency: string;
  fields: FrontField[];
  filterFields: Record<string, string>;
  /** What is chosen in filters when a shopper begins a search. */
  chosen: Record<string, string[]>;
  page: PageLook;
  box: BoxLook;
  /** Fields that cards read, by key or by role (":price"). */
  cardFields: string[];
  /** Own rules for named parts, made safe. */
  css: string;
  messages: ReadMessages;
  categories: { path: string[] }[];
}

/** Where the shop's pages get their answers: the live shop, or the bench with its draft. */
export interface ShopClient {
  search(request: SearchRequestInput, signal?: AbortSignal): Promise<SearchAnswer>;
  suggest(asked: Suggesting, signal?: AbortSignal): Promise<SuggestAnswer>;
  start(): Promise<ProductCard[]>;
  /** Tells that a search of the shop's own list was taken. */
  take(own: string): void;
}

/** What every page of the shop gets. */
export interface PageProps {
  front: Front;
  client: ShopClient;
}

/** What the panel under the search box is asked for. */
export interface Suggesting {
  query: string;
  /** The part of the range that the search is limited to. */
  category: string[] | null;
  within: string | null;
  /** Blocks that are unfolded. */
  unfold: string[];
}

export function liveClient(base: string, language: string): ShopClient {
  return {
    search: (request, signal) => call(`${base}/search`, { body: request, signal }),
    suggest: (asked, signal) => call(`${base}/suggest`, { body: { ...asked, language }, signal }),
    start: () => call<{ products: ProductCard[] }>(`${base}/start.json`).then(({ products }) => products),
    take: (own) => void call(`${base}/taken`, { body: { own } }).catch(() => undefined),
  };
}

/** The fields that cards show: no more of a product is asked for. */
export function cardFields(front: Pick<Front, "fields" | "cardFields">): string[] {
  const keys = front.cardFields.map((name) => (name.startsWith(":") ? roleKey(front, name.slice(1)) : name));
  return [...new Set(["title", "price", "salePrice", "picture", "stock"].map((role) => roleKey(front, role)).concat(keys))].filter(
    (key): key is string => key !== undefined,
  );
}

/** The key of the field with a role, for what a card shows. */
export function roleKey(front: Pick<Front, "fields">, role: string): string | undefined {
  return front.fields.find((field) => field.role === role)?.key;
}

/** Names of the top categories, the largest first. */
export function departments({ categories }: Pick<Front, "categories">): string[] {
  return categories.filter(({ path }) => path.length === 1).map(({ path }) => path[0]);
}
