import { localTime } from "../settings/local-time";
import { Settings } from "../settings/schema";
import { Shelf } from "../settings/shelf";
import { nextChange } from "./schedule";
import { restOf, turnsAfter } from "./when";

const make = (part: object) => Shelf.parse({ name: "k", searches: [], categories: [], rank: "a", ...part });
const here = { at: Date.parse("2026-11-25T12:00:00Z"), device: "desktop", language: "en", chosen: {} };
const LONDON = "Europe/London";

describe("when a shelf acts", () => {
  test("it says the first condition that does not hold", () => {
    expect(restOf(make({}), here)).toBeNull();
    expect(restOf(make({ on: false }), here)).toBe("off");
    expect(restOf(make({ from: "2026-12-01T00:00:00Z" }), here)).toBe("not-yet");
    expect(restOf(make({ until: "2026-11-25T13:00:00+01:00" }), here)).toBe("over");
    expect(restOf(make({ when: { weekdays: [1, 2] } }), here)).toBe("weekday");
    expect(restOf(make({ when: { weekdays: [3] } }), here)).toBeNull();
    expect(restOf(make({ when: { devices: ["phone"] } }), here)).toBe("device");
    expect(restOf(make({ when: { languages: ["de"] } }), here)).toBe("language");
    expect(restOf(make({ when: { languages: ["de"] } }), { ...here, language: "de-CH" })).toBeNull();
  });

  test("chosen filters count by their values, or by any at all", () => {
    const own = make({ when: { filters: { colour: ["Red", "Pink"], price: [] } } });
    expect(restOf(own, here)).toBe("filters");
    expect(restOf(own, { ...here, chosen: { colour: ["Red"] } })).toBe("filters");
    expect(restOf(own, { ...here, chosen: { colour: ["Red"], price: [] } })).toBeNull();
    expect(restOf(own, { ...here, chosen: { colour: ["Blue"], price: [] } })).toBe("filters");
  });

  test("hours are those of its time zone, and a night belongs to the evening on which it began", () => {
    const night = make({ when: { timeZone: LONDON, hours: { from: "22:00", until: "06:00" }, weekdays: [5] } });
    const rests = (text: string) => restOf(night, { ...here, at: Date.parse(text) });
    expect(rests("2026-07-03T20:59:00Z")).toBe("hours");
    expect(rests("2026-07-03T21:00:00Z")).toBeNull();
    expect(rests("2026-07-04T04:59:00Z")).toBeNull();
    expect(rests("2026-07-04T05:00:00Z")).toBe("weekday");
    expect(rests("2026-07-04T21:30:00Z")).toBe("weekday");
  });

  test("its turns are where it begins and ends, and nowhere else", () => {
    const { when } = make({ when: { timeZone: LONDON, hours: { from: "09:00", until: "17:30" }, weekdays: [1, 5] } });
    const from = Date.parse("2026-11-25T12:00:00Z");
    const turns = turnsAfter(when, from).map((moment) => localTime(moment, LONDON));
    expect(turns.map(({ day, minutes }) => [day, minutes])).toEqual([
      [27, 540],
      [27, 1050],
      [30, 540],
      [30, 1050],
    ]);
    expect(turnsAfter(make({}).when, from)).toEqual([]);
  });

  test("the next change of a shop is known by its hours too, within its dates", () => {
    const shelf = { name: "k", searches: [], categories: [], rank: "a", when: { hours: { from: "18:00", until: "20:00" } } };
    const next = (part: object) => nextChange(Settings.parse({ shelves: { k: { ...shelf, ...part } } }), here.at);
    expect(next({})).toBe("2026-11-25T18:00:00.000Z");
    expect(next({ from: "2026-11-25T19:00:00Z" })).toBe("2026-11-25T19:00:00.000Z");
    expect(next({ until: "2026-11-25T18:00:00Z" })).toBe("2026-11-25T18:00:00.000Z");
    expect(next({ on: false })).toBeNull();
  });

  test("a shelf that waits for chosen filters cannot redirect", () => {
    const redirect = { to: "search", value: "tulip" };
    const read = Shelf.safeParse({ name: "k", searches: [], categories: [], rank: "a", redirect, when: { filters: { colour: [] } } });
    expect(read.error?.issues[0].message).toContain("a redirect acts before filters");
    expect(
      Shelf.safeParse({ name: "k", searches: [], categories: [], rank: "a", redirect: { to: "address", value: "javascript:x" } }).success,
    ).toBe(false);
  });
});
