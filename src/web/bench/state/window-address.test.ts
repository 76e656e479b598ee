import { START } from "../../shop/address";
import { SHOWN, type Shown, saysWindow, windowOf, withWindow } from "./window-address";

const shown = (part: Partial<Shown>): Shown => ({ ...SHOWN, ...part });

describe("the window in the address", () => {
  test.each<Partial<Shown>>([
    {},
    { address: { ...START, query: "lavender & roses", filters: { colour: { any: ["Blue", "Pale pink"] }, price: { min: 3, max: null } } } },
    { address: { ...START, category: ["Plants", "Roses / climbing"], sort: "price:asc", page: 3 } },
    { address: { ...START, query: "rose", within: "gifts", kind: "guides", asTyped: true, perPage: 48, as: "list" } },
    { mode: "both", device: "phone", at: "2026-12-18T09:00:00.000Z", view: "box", asked: "P-1" },
    { mode: "live", device: "tablet" },
  ])("is read as it was written: %j", (part) => {
    const written = withWindow(new URLSearchParams(), shown(part));
    expect(windowOf(new URLSearchParams(written.toString()))).toEqual(shown(part));
    expect(saysWindow(written)).toBe(Object.keys(part).length > 0);
  });

  test("what belongs to the screen beside it stays", () => {
    const params = new URLSearchParams("shelf=s1&open=b2&q=old&f.colour=Red&state=live");
    expect(withWindow(params, shown({ address: { ...START, query: "new" } })).toString()).toBe("shelf=s1&open=b2&q=new");
  });

  test("what nobody wrote is as at the start", () => {
    expect(windowOf(new URLSearchParams("state=dead&width=watch&date=someday&page=-1&box=1"))).toEqual(SHOWN);
  });
});
