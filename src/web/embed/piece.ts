/** Where results are shown that a box asks for. */
export type Where = { kind: "here" } | { kind: "layer" } | { kind: "page"; address: string };

/** What one element is for. */
export interface Piece {
  /** Elements of the same group show the same search; several groups are on a page without knowing of each other. */
  group: string;
  /** The part of the range it is limited to: a category's path with "/" between its labels, or a selection's id. */
  category: string[] | null;
  within: string | null;
  results: Where;
  /** The product beside which others are shown. */
  product: string | null;
}

export function pieceFrom(element: Pick<Element, "getAttribute">): Piece {
  const of = (name: string) => element.getAttribute(name)?.trim() || null;
  const results = of("results");
  return {
    group: of("group") ?? "",
    category: of("category")?.split("/").map(decodeURIComponent) ?? null,
    within: of("within"),
    results:
      results === null || results === "here"
        ? { kind: "here" }
        : results === "layer"
          ? { kind: "layer" }
          : { kind: "page", address: results },
    product: of("product"),
  };
}

/** An address of the shop with a value put in; undefined where the shop has said none. */
export function addressFor(pattern: string | null, value: string, option = value): string | undefined {
  return pattern === null ? undefined : pattern.replace("{option}", () => option).replace(/\{\w+\}/, () => value);
}
