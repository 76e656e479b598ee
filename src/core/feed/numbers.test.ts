import { decimalSignOf, parseAmount } from "./numbers";

/** A number with its unit as one text, "~" before a span; null for no number. */
const read = (text: string, decimal: "." | "," | null = null) => {
  const amount = parseAmount(text, decimal);
  return amount && `${amount.isSpan ? "~" : ""}${amount.number}${amount.unit ? ` ${amount.unit}` : ""}`;
};

describe("a number in a feed", () => {
  test.each([
    ["1,299.50", "1299.5"],
    ["1.299,50 €", "1299.5 €"],
    ["1'234.50", "1234.5"],
    ["1 234,50", "1234.5"],
    ["1\u202f234,50", "1234.5"],
    ["12,000", "12000"],
    ["12.000", "12"],
    ["1.000.000", "1000000"],
    ["-15 °C", "-15 °C"],
    ["−5", "-5"],
    [".5", "0.5"],
    ["3e5", "300000"],
    ["007", "7"],
    ["5%", "5 %"],
  ])("%s is %s", (text, number) => {
    expect(read(text)).toBe(number);
  });
  test.each([
    ["£6.50", "6.5"],
    ["EUR 3.50", "3.5"],
    ["ab 3,50 €", "3.5 €"],
    ["from £5", "5"],
    ["ca. 30 cm", "30 cm"],
    ["3 €*", "3 €"],
    ["3.50€ inkl. MwSt.", "3.5 €"],
    ["£4.20 (incl. 20 % VAT)", "4.2"],
    ["£3.50 - £7.00", "~3.5"],
    ["3–5 m", "~3 m"],
  ])("a price or measure as shops write it: %s is %s", (text, number) => {
    expect(read(text)).toBe(number);
  });
  test.each([
    ["1/2 inch", "0.5 inch"],
    ["1 1/2 in", "1.5 in"],
    ["3/4", "0.75"],
    ["½ l", "0.5 l"],
    ["2½ kg", "2.5 kg"],
    ['3/8"', '0.375 "'],
    ["5 ft 6 in", "5.5 ft"],
    ["6'3\"", "6.25 ft"],
    ["6'", "6 '"],
  ])("fractions, feet and inches: %s is %s", (text, number) => {
    expect(read(text)).toBe(number);
  });
  test.each([
    ["4.5 out of 5 stars", "4.5"],
    ["4,5/5", "4.5"],
    ["9/10", "9"],
    ["4 von 5 Sternen", "4"],
    ["3/5 ★", "3"],
  ])("a rating against its scale: %s is %s", (text, number) => {
    expect(read(text)).toBe(number);
  });
  test.each(["about nine", "free", "--", "NaN", "Infinity", "1.5.2", "1,2,3", "1 2", "1/0 in", "5 x 10 cm", ""])("%j is none", (text) => {
    expect(read(text)).toBeNull();
  });
  test("is none in a long text, however it looks", () => {
    for (const text of [`5 ${"*".repeat(100_000)}x`, `${" ".repeat(9)}5${" ".repeat(100_000)}cm`, "1 ".repeat(50_000)])
      expect(read(text)).toBeNull();
  });
  test("goes by the sign that its column proves", () => {
    expect(decimalSignOf(["3,50", "12,000"])).toBe(",");
    expect(decimalSignOf(["1.299,00", "7"])).toBe(",");
    expect(decimalSignOf(["12.000", "7"])).toBeNull();
    expect([read("12.000", ","), read("12,000", ","), read("12,000", ".")]).toEqual(["12000", "12", "12000"]);
  });
});
