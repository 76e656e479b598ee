import type { SearchAnswer, ShopFront, SuggestAnswer } from "@contract/search";
import type { shopperRoutes } from "@contract/shop";
import { type FieldRole, fieldWithRole } from "@core/catalogue/types";
import type { ProductCard, SearchRequestInput } from "@core/search/request";
import { asker } from "@ui/http";

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
  front: ShopFront;
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

/** Asks the shop's own calls below an address, such as "/shop/quillmoor". */
export const askShop = (base: string) => asker<typeof shopperRoutes>(base);

export function liveClient(base: string, language: string): ShopClient {
  const ask = askShop(base);
  return {
    search: (body, signal) => ask("POST /search", { body, signal }),
    suggest: (asked, signal) => ask("POST /suggest", { body: { ...asked, language }, signal }),
    start: () => ask("GET /start.json", {}).then(({ products }) => products),
    take: (own) => void ask("POST /taken", { body: { own } }).catch(() => undefined),
  };
}

/** The fields that cards show: no more of a product is asked for. */
export function cardFields(front: Pick<ShopFront, "fields" | "cardFields">): string[] {
  const isField = (name: string) => front.fields.some(({ key }) => key === name);
  const keys = front.cardFields.map((name) => (isField(name) || !name.startsWith(":") ? name : roleKey(front, name.slice(1) as FieldRole)));
  const always = (["title", "price", "listPrice", "picture", "stock"] as const).map((role) => roleKey(front, role));
  return [...new Set([...always, ...keys])].filter((key): key is string => key !== undefined);
}

/** The key of the field with a role, for what a card shows. */
export function roleKey(front: Pick<ShopFront, "fields">, role: FieldRole): string | undefined {
  return fieldWithRole(front.fields, role) ?? undefined;
}

/** Names of the top categories, the largest first. */
export function departments({ categories }: Pick<ShopFront, "categories">): string[] {
  return categories.filter(({ path }) => path.length === 1).map(({ path }) => path[0]);
}
