import { readStockState } from "./stock-state";

const said = (raw: unknown) => readStockState(raw).value;

describe("a stock state in a feed", () => {
  test.each([
    ["in stock", "In stock"],
    ["in_stock", "In stock"],
    ["In-Stock", "In stock"],
    ["https://schema.org/InStock", "In stock"],
    ["sofort lieferbar", "In stock"],
    ["12 in stock", "In stock"],
    ["Only 3 left", "In stock"],
    ["low stock", "In stock"],
    [true, "In stock"],
    ["ja", "In stock"],
    ["out of stock", "Sold out"],
    ["out_of_stock", "Sold out"],
    ["http://schema.org/SoldOut", "Sold out"],
    ["https://schema.org/OutOfStock", "Sold out"],
    ["Currently unavailable", "Sold out"],
    ["nicht mehr lieferbar", "Sold out"],
    ["vergriffen", "Sold out"],
    ["0 in stock", "Sold out"],
    [false, "Sold out"],
    [0, "Sold out"],
    ["preorder", "To order"],
    ["pre_order", "To order"],
    ["https://schema.org/BackOrder", "To order"],
    ["auf Bestellung", "To order"],
  ])("%j is %s", (raw, state) => {
    expect(said(raw)).toBe(state);
  });
  test.each([
    ["coming on 2027-03-01", "2027-03-01"],
    ["available again from 2027-03-01", "2027-03-01"],
    ["wieder ab 15.02.2027", "2027-02-15"],
    ["lieferbar ab 1. März 2027", "2027-03-01"],
    ["Back on 3 April 2027", "2027-04-03"],
    ["expected: April 3, 2027", "2027-04-03"],
    ["from 12/24/2027", "2027-12-24"],
  ])("%j names the day from which it can be had", (raw, day) => {
    expect(said(raw)).toBe(`Coming on ${day}`);
  });
  test("that names no day is what its words say, and else stays as it is", () => {
    expect(said("available from stock")).toBe("In stock");
    expect(said("from 31.02.2027 sold out")).toBe("Sold out");
    expect(said("delivery on 3 working days")).toBe("delivery on 3 working days");
    expect(said("ask us")).toBe("ask us");
    const long = `on${" x".repeat(60_000)}`;
    expect(said(long)).toBe(long);
    expect([said(""), said(null), said(undefined)]).toEqual([null, null, null]);
  });
});
