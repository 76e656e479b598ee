import fc from "fast-check";
import { fromInput, toInput } from "./ZonedSpan";

describe("moments as a form shows them", () => {
  test("are those of the shop's clock", () => {
    expect(toInput("2026-07-01T11:00:00Z", "Europe/London")).toBe("2026-07-01T12:00");
    expect(fromInput("2026-12-24T12:00", "Europe/Berlin")).toBe("2026-12-24T11:00:00.000Z");
    expect(fromInput("", "UTC")).toBeNull();
    expect(toInput(null, "UTC")).toBe("");
  });
  test("come back as they went in, by the minute, but where a clock is put back", () => {
    const day = fc.date({ min: new Date("2026-01-01"), max: new Date("2030-01-01"), noInvalidDate: true });
    fc.assert(
      fc.property(day, fc.constantFrom("UTC", "Europe/London", "Asia/Kathmandu"), (date, zone) => {
        const shown = toInput(date.toISOString(), zone);
        expect(toInput(fromInput(shown, zone), zone)).toBe(shown);
      }),
      { numRuns: 200 },
    );
  });
});
