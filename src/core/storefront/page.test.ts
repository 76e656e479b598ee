import { fieldsInText, fillText } from "../settings/fill-text";
import { Layout } from "../settings/page/layout";
import { usualSorts } from "../settings/page/sort";
import { layoutIn } from "./layout-in";
import { priceFactor } from "./price-factor";

describe("texts with fields", () => {
  const values: Record<string, string> = { height: "60", spread: "40" };
  const say = (key: string) => values[key];
  test("are filled, and are gone when a field is missing, or when all are", () => {
    expect(fillText("{height} × {spread} cm", "any", say)).toBe("60 × 40 cm");
    expect(fillText("{height} × {depth} cm", "any", say)).toBeNull();
    expect(fillText("{height} {depth} cm", "all", say)).toBe("60 cm");
    expect(fillText("{depth} cm", "all", say)).toBeNull();
  });
  test("that name no field say nothing of a product", () => {
    expect(fillText("Always there", "any", say)).toBeNull();
    expect(fieldsInText("{a} and { b }, {a} again")).toEqual(["a", "b"]);
  });
});

describe("the layout of a category", () => {
  test("is what is said on the way down to it, the nearer over the farther", () => {
    const layout = Layout.parse({ perPage: 24 });
    const except = [
      { path: ["Plants", "Roses"], layout: { as: "list" as const } },
      { path: ["Plants"], layout: { perPage: 48, as: "grid" as const } },
      { path: ["Books"], layout: { perPage: 12 } },
    ];
    expect(layoutIn(layout, except, ["Plants", "Roses", "Climbers"])).toMatchObject({ as: "list", perPage: 48 });
    expect(layoutIn(layout, except, ["Plants"])).toMatchObject({ as: "grid", perPage: 48 });
    expect(layoutIn(layout, except, null)).toEqual(layout);
  });
});

test("a price is shown with or without the tax", () => {
  expect(priceFactor({ feed: "without", shown: "with", rate: 20 })).toBeCloseTo(1.2);
  expect(priceFactor({ feed: "with", shown: "without", rate: 25 })).toBeCloseTo(0.8);
  expect(priceFactor({ feed: "with", shown: "with", rate: 25 })).toBe(1);
});

test("orders that hold by themselves come from the roles there are", () => {
  const sorts = usualSorts([
    { key: "cost", role: "price" },
    { key: "sold", role: "sold" },
  ]);
  expect(Object.keys(sorts)).toEqual(["price-asc", "price-desc", "bestselling"]);
  expect(sorts["price-asc"]).toMatchObject({ field: "cost", direction: "asc" });
});
