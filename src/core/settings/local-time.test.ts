import fc from "fast-check";
import { isTimeZone, localTime, momentAt } from "./local-time";

const at = (text: string) => Date.parse(text);
const ZONES = ["UTC", "Europe/London", "America/New_York", "Asia/Kathmandu", "Australia/Lord_Howe"];

describe("the clock of a time zone", () => {
  test("shows its own day, weekday and minutes", () => {
    expect(localTime(at("2026-11-29T23:30:00Z"), "UTC")).toEqual({ year: 2026, month: 11, day: 29, weekday: 7, minutes: 1410 });
    expect(localTime(at("2026-11-29T23:30:00Z"), "Asia/Kathmandu")).toMatchObject({ day: 30, weekday: 1, minutes: 5 * 60 + 15 });
  });

  test("a moment is found again by what the clock shows, but where it shows that twice", () => {
    fc.assert(
      fc.property(fc.constantFrom(...ZONES), fc.integer({ min: at("2026-01-01"), max: at("2028-01-01") }), (zone, moment) => {
        const whole = Math.floor(moment / 60_000) * 60_000;
        const shown = localTime(whole, zone);
        const found = momentAt(shown, shown.minutes, zone);
        expect(localTime(found, zone)).toEqual(shown);
        expect(found).toBeLessThanOrEqual(whole);
        expect(whole - found).toBeLessThanOrEqual(3_600_000);
      }),
      { numRuns: 300 },
    );
  });

  test("where the clock is put forward over a time, the moment after is meant", () => {
    expect(momentAt({ year: 2027, month: 3, day: 28 }, 90, "Europe/London")).toBe(at("2027-03-28T01:30:00Z"));
    expect(momentAt({ year: 2026, month: 10, day: 25 }, 90, "Europe/London")).toBe(at("2026-10-25T00:30:00Z"));
  });

  test("knows which names are time zones", () => {
    expect(isTimeZone("Europe/London")).toBe(true);
    expect(isTimeZone("Quillmoor/Shed")).toBe(false);
  });
});
