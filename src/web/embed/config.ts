/** How the pieces of a page are set up: by the attributes of the script, and by those of each element, which win. */
export interface Config {
  /** Address of the server, without a slash at its end. */
  server: string;
  /** The store's public key. */
  key: string;
  language: string | null;
  /** Addresses of the shop's pages, with {id} or {path}: "/products/{id}". */
  product: string | null;
  category: string | null;
  guide: string | null;
}

type Attributes = Pick<Element, "getAttribute"> | null;

export function configFrom(script: Attributes, server: string): Config {
  const of = (name: string) => script?.getAttribute(`data-${name}`) ?? null;
  return {
    server: of("server") ?? server,
    key: of("key") ?? "",
    language: of("language"),
    product: of("product"),
    category: of("category"),
    guide: of("guide"),
  };
}
