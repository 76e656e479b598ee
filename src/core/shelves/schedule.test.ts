import { momentsOf } from "../settings/moments";
import { Settings } from "../settings/schema";
import { nextChange } from "./schedule";

const rule = (from: string | null, until: string | null, on = true) => ({ name: "r", products: ["P1"], factor: 2, on, from, until });
const NOVEMBER = "2026-11-01T00:00:00Z";
const MARCH = "2027-03-01T00:00:00Z";
const at = (text: string) => Date.parse(text);

describe("when the results of a search change by themselves", () => {
  const settings = Settings.parse({
    boosts: { b: rule(null, MARCH), off: rule("2026-11-10T00:00:00Z", null, false) },
    hides: { h: { name: "h", products: ["P1"], places: ["searching"], from: NOVEMBER, until: MARCH } },
  });

  test("is the next moment at which a rule begins or ends, whatever its kind", () => {
    expect(nextChange(settings, at("2026-10-01T00:00:00Z"))).toBe("2026-11-01T00:00:00.000Z");
    expect(nextChange(settings, at(NOVEMBER))).toBe("2027-03-01T00:00:00.000Z");
    expect(nextChange(settings, at(MARCH))).toBeNull();
  });

  test("does not ask rules that are off, nor those without dates", () => {
    expect(momentsOf({ off: rule(NOVEMBER, MARCH, false), always: rule(null, null) })).toEqual([]);
  });

  test("is worked out once for each state of a collection", () => {
    expect(momentsOf(settings.boosts)).toBe(momentsOf(settings.boosts));
  });
});
