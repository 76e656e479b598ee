import { dateOrderOf, parseDate } from "./dates";
import { monthOf } from "./months";
import { PLAIN_SHAPE, readValue } from "./values";

describe("a date in a feed", () => {
  test.each([
    ["2026-11-26", "2026-11-26"],
    ["2026/1/6", "2026-01-06"],
    ["26.11.2026", "2026-11-26"],
    ["26/11/26", "2026-11-26"],
    ["3.4.99", "1999-04-03"],
    ["26. 11. 2026", "2026-11-26"],
    ["20261126", "2026-11-26"],
    ["2026-11-26 10:00", "2026-11-26"],
    ["26. November 2026", "2026-11-26"],
    ["Nov 26th, 2026", "2026-11-26"],
    ["1. März 2027", "2027-03-01"],
    ["1er mars 2027", "2027-03-01"],
    ["1 mars 2027", "2027-03-01"],
    ["12 de octubre de 2026", "2026-10-12"],
    ["3-Aug-2026", "2026-08-03"],
    ["April 2026", "2026-04-01"],
    ["Donnerstag, 26. Nov. 2026", "2026-11-26"],
  ])("%s is %s, whatever the time zone of the server", (text, date) => {
    expect(parseDate(text, "dmy")).toBe(date);
  });
  test("keeps its time of day where the zone is told", () => {
    expect(parseDate("2026-11-26T10:00:00+01:00", "ymd")).toBe("2026-11-26T10:00:00+01:00");
    expect(parseDate("Thu, 26 Nov 2026 10:00:00 GMT", "ymd")).toBe("2026-11-26T10:00:00.000Z");
    expect(parseDate("Thu, 26 Nov 2026 9:30 +0130", "ymd")).toBe("2026-11-26T08:00:00.000Z");
    expect(parseDate("26 Nov 2026 25:00 GMT", "ymd")).toBe("2026-11-26");
  });
  test.each([
    "2026-02-30",
    "2026-02-30T10:00:00Z",
    "31.02.2026",
    "12/24/2026",
    "30 Feb 2026",
    "20261301",
    "10-20-30",
    "2026",
    "26 Foo 2026",
    "soon",
    "",
  ])("%j is none that a calendar has", (text) => {
    expect(parseDate(text, "dmy")).toBeNull();
  });
  test("goes by the order that its column proves", () => {
    expect(dateOrderOf(["03/04/2026", "12/24/2026"])).toBe("mdy");
    expect(dateOrderOf(["03/04/26", "24/12/26"])).toBe("dmy");
    expect(dateOrderOf(["03/04/2026"])).toBe("dmy");
    expect(dateOrderOf(["2026-03-04"])).toBe("ymd");
    expect(parseDate("03/04/2026", "mdy")).toBe("2026-03-04");
    expect(parseDate("03/04/26", "mdy")).toBe("2026-03-04");
  });
  test("may come as seconds or milliseconds where its column is known to hold dates", () => {
    const read = (raw: unknown) => readValue(raw, { ...PLAIN_SHAPE, type: "date" }).value;
    expect(read(1795737600)).toBe("2026-11-27T00:00:00.000Z");
    expect(read("1795737600000")).toBe("2026-11-27T00:00:00.000Z");
    expect(read(7)).toBeNull();
    expect(parseDate("1795737600", "ymd")).toBeNull();
  });
  test("names its month in full or short, where that means one month only", () => {
    expect(["January", "jan", "Mär", "août", "sept", "Dez", "październik", "maj"].map(monthOf)).toEqual([1, 1, 3, 8, 9, 12, 10, 5]);
    expect(["ja", "foo", "", "juillets"].map(monthOf)).toEqual([null, null, null, null]);
  });
});
