import { demoShop, measure, ownEngine, queriesByClass } from "../../bench/quality";
import baseline from "./quality-baseline.json";

/** A mean that falls by more than this is a loss that shoppers notice. */
const LOSS = 0.02;

/** The same queries each time, put as the simulated shopper puts what is needed; see `npm run bench` for more of them. */
test("no class of queries is served worse than before", () => {
  const { catalogue, known } = demoShop();
  const results = measure("Clever Shelf", ownEngine(catalogue), queriesByClass(known, 60));
  const now = Object.fromEntries(results.map(({ of, ndcg }) => [of, Number(ndcg.mean.toFixed(3))]));
  const lost = Object.entries(baseline as Record<string, number>).filter(([of, before]) => now[of] < before - LOSS);
  // The baseline is raised by hand when search has become better.
  expect({ lost, now }).toEqual({ lost: [], now: expect.anything() });
});
