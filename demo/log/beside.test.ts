import type { LoggedEvent } from "../../src/core/log/events";
import { withBeside } from "./beside";

const at = (second: number) => new Date(Date.UTC(2026, 10, 1, 12, 0, second % 60) + second * 60_000).toISOString();
const events: LoggedEvent[] = Array.from({ length: 2000 }, (_, i) => ({
  visit: `v${i}`,
  kind: i % 10 === 9 ? "order" : "click",
  product: "A",
  at: at(i),
}));

describe("shoppers who go on to recommendations", () => {
  const all = withBeside(events, () => ["B", "C"]);
  const led = all.filter(({ beside }) => beside);

  test("leave all else as it was, and come in the order of time", () => {
    expect(all.filter((event) => event.product === "A")).toEqual(events);
    expect(all.map(({ at: moment }) => moment)).toEqual(all.map(({ at: moment }) => moment).sort());
  });
  test("are few, take the first ones more often, and some buy both", () => {
    expect(led.length).toBeGreaterThan(50);
    expect(led.length).toBeLessThan(150);
    expect(led.every(({ kind, beside }) => kind === "click" && beside === "A")).toBe(true);
    const both = all.filter(({ kind, product }) => kind === "order" && product === "B").length;
    expect(both).toBeGreaterThan(30);
  });
  test("are the same each time, and none where nothing stands there", () => {
    expect(withBeside(events, () => ["B", "C"])).toEqual(all);
    expect(withBeside(events, () => [])).toEqual(events);
  });
});
