import { deviceOf, START } from "./address";
import { leadOf } from "./redirect";
import { toAddress } from "./results/Banner";
import { withInset } from "./results/grid";

const guides = { guide: (id: string) => (id === "gone" ? undefined : `/guides/${id}`) };

describe("where a shopper is led", () => {
  test("to a category with the search and filters that go along, or to another search", () => {
    const filters = { price: { max: 5 } };
    expect(leadOf({ to: "category", value: "Plants › Roses", query: "red", filters }, guides)).toEqual({
      address: { ...START, query: "red", category: ["Plants", "Roses"], filters },
    });
    expect(leadOf({ to: "search", value: "tulip" }, guides)).toEqual({ address: { ...START, query: "tulip" } });
  });
  test("to a guide or an address; nowhere where the guide has none here", () => {
    expect(leadOf({ to: "page", value: "delivery" }, guides)).toEqual({ url: "/guides/delivery" });
    expect(leadOf({ to: "address", value: "https://example.org/" }, guides)).toEqual({ url: "https://example.org/" });
    expect(leadOf({ to: "page", value: "gone" }, guides)).toBeNull();
  });
  test("a banner leads to a category, or to a search without what was chosen", () => {
    expect(toAddress({ to: "category", value: "Plants › Roses" })).toEqual({ category: ["Plants", "Roses"] });
    expect(toAddress({ to: "search", value: "tulip" })).toEqual({ ...START, query: "tulip" });
  });
});

describe("a space among the hits", () => {
  const wrap = (content: React.ReactNode) => content;
  test("comes after as many hits as it says, and not where there are fewer", () => {
    expect(withInset(["a", "b"], { at: 1, content: "banner" }, wrap)).toEqual(["a", "banner", "b"]);
    expect(withInset(["a"], { at: 0, content: "banner" }, wrap)).toEqual(["banner", "a"]);
    expect(withInset(["a"], { at: 2, content: "banner" }, wrap)).toEqual(["a"]);
    expect(withInset(["a"], null, wrap)).toEqual(["a"]);
  });
});

describe("devices", () => {
  test("are told by the width of the page", () => {
    expect([375, 640, 1023, 1024].map(deviceOf)).toEqual(["phone", "tablet", "tablet", "desktop"]);
  });
});
