import { AT, gardenSearcher } from "@tests/core/garden";
import type { QueryStats } from "../../log/tally";
import { attributeEffects } from "./attribute-effect";

const asked = (text: string, more: Partial<QueryStats> = {}): QueryStats => ({
  text,
  asked: 10,
  lastWeek: 10,
  visits: 10,
  clicked: 0,
  baskets: 0,
  orders: 0,
  found: 1,
  outcome: "results",
  lastAt: new Date(AT).toISOString(),
  meanPlace: 0,
  products: [],
  ...more,
});

function effects(queries: QueryStats[], settings = {}) {
  const steps = attributeEffects(gardenSearcher(settings), queries, AT);
  let pauses = 0;
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.done) return { effects: Object.fromEntries(step.value), pauses };
    pauses++;
  }
}

describe("what an attribute does for shoppers", () => {
  test("counts the searches of the week that it answers, alone or beside others, and the clicks it alone brought", () => {
    // Lavender is in titles, once with the description; “apples” in one description.
    const found = effects([
      asked("lavender", { asked: 40, lastWeek: 20, products: [{ id: "P2", clicks: 8 }] }),
      asked("apples", { asked: 6, lastWeek: 6, products: [{ id: "P5", clicks: 3 }] }),
    ]);
    expect(found.effects.title).toMatchObject({ answered: 20, alone: 20, clicked: 4 });
    expect(found.effects.description).toMatchObject({ answered: 26, alone: 6, clicked: 3 });
    expect(found.pauses).toBe(2);
  });
  test("leaves out what was not asked lately, and fields that answer nothing", () => {
    expect(effects([asked("lavender", { lastWeek: 0 })]).effects).toEqual({});
    expect(Object.keys(effects([asked("zzz")]).effects)).toEqual([]);
    expect(effects([]).pauses).toBe(0);
  });
});
