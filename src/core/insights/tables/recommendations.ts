import { setOwn } from "../../records";
import { LISTS, RelatedLists } from "../../settings/related";
import type { Settings } from "../../settings/schema";

/** Recommendations of products, as rows of a table: one for each product with lists of its own. */

export const RECOMMENDATION_COLUMNS = ["product", "complements", "alternatives", "automatic"] as const;
/** The column of each list; the second name is the former one, which is still read. */
const COLUMN = { goesWith: ["complements", "goes with"], insteadOf: ["alternatives", "instead of"] } as const;
const PARTING = "; ";

export function toRow(
  id: string,
  { goesWith, insteadOf, automatic }: RelatedLists,
): Record<(typeof RECOMMENDATION_COLUMNS)[number], string> {
  return { product: id, complements: goesWith.join(PARTING), alternatives: insteadOf.join(PARTING), automatic: automatic ? "yes" : "no" };
}

export interface ReadRecommendations {
  lists: Settings["related"];
  problems: { line: number; message: string }[];
}

/**
 * Reads rows; one that cannot be read is named and left out.
 * @param lineOf the line of row i in the file, from 1.
 * @param isKnown whether the catalogue has a product.
 */
export function readRows(
  rows: readonly Record<string, unknown>[],
  lineOf: (row: number) => number,
  isKnown: (id: string) => boolean,
): ReadRecommendations {
  const read: ReadRecommendations = { lists: {}, problems: [] };
  for (const [i, row] of rows.entries()) {
    const line = lineOf(i);
    const id = String(row.product ?? "").trim();
    if (id === "" || !isKnown(id)) {
      read.problems.push({ line, message: id === "" ? "product: no product is named" : `product: the catalogue has no “${id}”` });
      continue;
    }
    const lists = Object.fromEntries(LISTS.map((list) => [list, idsIn(row[COLUMN[list][0]] ?? row[COLUMN[list][1]])]));
    const unknown = Object.values(lists)
      .flat()
      .filter((other) => !isKnown(other));
    if (unknown.length > 0) read.problems.push({ line, message: `the catalogue has no ${unknown.slice(0, 3).join(", ")}: left out` });
    const known = Object.fromEntries(
      Object.entries(lists).map(([list, ids]) => [list, ids.filter((other) => isKnown(other) && other !== id)]),
    );
    const parsed = RelatedLists.safeParse({
      ...known,
      automatic:
        String(row.automatic ?? "yes")
          .trim()
          .toLowerCase() !== "no",
    });
    if (parsed.success) setOwn(read.lists, id, parsed.data);
    else read.problems.push({ line, message: parsed.error.issues[0].message });
  }
  return read;
}

const idsIn = (cell: unknown): string[] => [
  ...new Set(
    String(cell ?? "")
      .split(";")
      .map((id) => id.trim())
      .filter(Boolean),
  ),
];
