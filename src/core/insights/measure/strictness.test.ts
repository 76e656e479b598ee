import { AT, gardenSearcher } from "@tests/core/garden";
import type { QueryStats } from "../../log/tally";
import { FALLBACKS } from "../../settings/dead-end";
import { STRICTNESS, strictnessOf, withStrictness } from "../../settings/strictness";
import { strictnessEffects } from "./strictness";

const asked = (text: string, times: number, outcome: string) => ({ text, asked: times, outcome }) as QueryStats;

describe("how strictly a search is taken", () => {
  test("each way is known again by what it sets, and other fallbacks stay", () => {
    for (const strictness of STRICTNESS) {
      const set = withStrictness({ ladder: ["widening", "partial", "joined"] }, strictness);
      expect(strictnessOf(set)).toBe(strictness);
      expect(set.ladder.slice(0, 2)).toEqual(["widening", "joined"]);
    }
    expect(strictnessOf({ ladder: [...FALLBACKS], least: 40 })).toBeNull();
  });
  test("is tried on the searches that nothing answers in full, from the strictest on", () => {
    const queries = [asked("lavender unicorn", 10, "partial"), asked("unicorn", 4, "dead-end"), asked("lavender", 50, "results")];
    const steps = strictnessEffects(gardenSearcher(), { queries }, AT);
    let step = steps.next();
    while (!step.done) step = steps.next();
    const { asked: tried, nothing, effects } = step.value;
    expect([tried, nothing]).toEqual([14, 4]);
    expect(Object.fromEntries(effects.map(({ strictness, finds }) => [strictness, finds]))).toMatchObject({ every: 0, part: 10 });
    expect(effects[0].changed).toEqual([{ text: "lavender unicorn", asked: 10, total: 0, shown: "" }]);
    const finds = effects.map((effect) => effect.finds);
    expect(finds).toEqual([...finds].sort((a, b) => a - b));
  });
});
