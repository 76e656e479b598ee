import { AT, gardenSearcher } from "@tests/core/garden";
import { emptyBits, setBit } from "../../index/bits";
import { productNumber } from "../../index/read";
import { SearchRequest } from "../../search/request";
import { search } from "../../search/search";
import { strengthFor } from "./strength";

const bitsOf = (searcher: ReturnType<typeof gardenSearcher>, ids: string[]) => {
  const bits = emptyBits(searcher.index.products);
  for (const id of ids) setBit(bits, productNumber(searcher.index, id));
  return bits;
};
const found = (searcher: ReturnType<typeof gardenSearcher>, query: string) =>
  search(searcher, SearchRequest.parse({ query, limit: 50 }), { at: AT, visible: () => true }).hits;

describe("how strong a boost must be", () => {
  test.each([0, 5, 30])("the least strength that is named does it, and one per cent less does not (tie width %i)", (tieWidth) => {
    const plain = gardenSearcher({ ranking: { tieWidth } });
    for (const query of ["rose", "lavender", "garden", "plant"]) {
      const hits = found(plain, query);
      const last = hits.at(-1);
      if (!last || hits.length < 2) continue;
      const strength = strengthFor(plain, query, bitsOf(plain, [last.id]), AT);
      expect(strength?.best.position).toBe(last.position);
      for (const { id, percent } of strength?.passes ?? []) {
        if (percent === null || percent === 0) continue;
        const placeWith = (by: number) => {
          const boosts = { b: { name: "b", products: [last.id], factor: 1 + by / 100 } };
          const ids = found(gardenSearcher({ ranking: { tieWidth }, boosts }), query).map((hit) => hit.id);
          return ids.indexOf(last.id) < ids.indexOf(id);
        };
        expect(placeWith(percent)).toBe(true);
        if (percent > 1) expect(placeWith(percent - 1)).toBe(false);
      }
    }
  });

  test("what is not found has no strength", () => {
    const searcher = gardenSearcher();
    expect(strengthFor(searcher, "rose", emptyBits(searcher.index.products), AT)).toBeNull();
  });
});
