import type { z } from "zod";
import { lookUp } from "../../records";
import type { BoxBlock } from "./block";
import type { BoxMoment } from "./moment";

/** The three arrangements that one can start from; a fresh shop has the pair. */

export const BOX_MOMENTS = ["focus", "typing", "nothing"] as const;
export type BoxMomentName = (typeof BOX_MOMENTS)[number];
type Blocks = Record<string, z.input<typeof BoxBlock>>;
type Arrangement = Record<BoxMomentName, z.input<typeof BoxMoment>>;

/** One list under the field. */
const list: Arrangement = {
  focus: {
    blocks: {
      recent: { kind: "recent", most: 3, rank: "a0" },
      asked: { kind: "searches", pick: "asked", most: 4, rank: "a1" },
      categories: { kind: "categories", most: 8, rank: "a2" },
      products: { kind: "products", pick: "bestselling", most: 4, rank: "a3" },
    },
  },
  typing: {
    blocks: {
      completions: { kind: "completions", most: 5, rank: "a0" },
      categories: { kind: "categories", most: 3, rank: "a1" },
      products: { kind: "products", most: 6, rank: "a2" },
      pages: { kind: "pages", most: 2, rank: "a3" },
    },
  },
  nothing: {
    blocks: {
      message: { kind: "message", rank: "a0" },
      searches: { kind: "searches", pick: "closest", most: 6, rank: "a1" },
      products: { kind: "products", pick: "closest", most: 6, rank: "a2" },
      pages: { kind: "pages", most: 3, rank: "a3" },
    },
  },
};

/** Words on the left, goods on the right. */
const pair: Arrangement = {
  focus: { shares: [4, 8], blocks: inColumns(list.focus.blocks ?? {}, { products: 1 }, { products: 6 }) },
  typing: { shares: [4, 8], blocks: inColumns(list.typing.blocks ?? {}, { products: 1 }, { products: 6 }) },
  nothing: { shares: [4, 8], blocks: inColumns(list.nothing.blocks ?? {}, { products: 1 }) },
};

/** Goods first, as large as there is room; words are beside them. */
const window: Arrangement = {
  focus: {
    shares: [8, 4],
    blocks: inColumns(list.focus.blocks ?? {}, { recent: 1, asked: 1, categories: 1 }, { products: 8, categories: 6 }),
  },
  typing: {
    shares: [8, 4],
    blocks: inColumns(list.typing.blocks ?? {}, { completions: 1, categories: 1, pages: 1 }, { products: 8 }),
  },
  nothing: { shares: [8, 4], blocks: inColumns(list.nothing.blocks ?? {}, { searches: 1, pages: 1 }, { products: 8 }) },
};

export const ARRANGEMENTS = { list, pair, window } as const;
export type ArrangementName = keyof typeof ARRANGEMENTS;

function inColumns(blocks: Blocks, columns: Record<string, number>, most: Record<string, number> = {}): Blocks {
  return Object.fromEntries(
    Object.entries(blocks).map(([id, block]) => [
      id,
      {
        ...block,
        ...(Object.hasOwn(columns, id) ? { column: lookUp(columns, id) } : {}),
        ...(Object.hasOwn(most, id) ? { most: lookUp(most, id) } : {}),
      },
    ]),
  );
}
