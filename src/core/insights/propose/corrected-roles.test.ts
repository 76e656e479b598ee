import { gardenCatalogue } from "@tests/core/garden";
import type { Field } from "../../catalogue/types";
import { build } from "../../index/build";
import { Settings } from "../../settings/schema";
import { afterCorrection } from "./corrected-roles";
import { defaultSettings } from "./defaults";

const garden = gardenCatalogue();
/** The garden with a column read in another way. */
const read = (key: string, part: Partial<Field>) => {
  const fields = garden.fields.map((field) => (field.key === key ? { ...field, ...part } : field));
  return { fields, defaults: defaultSettings(build({ ...garden, fields })) };
};
const wrong = read("margin", { role: "price", type: "number", shown: true });
const right = read("margin", { role: "attribute", type: "number", shown: false });
const of = (settings: Settings, before = wrong, after = right) =>
  afterCorrection(settings, before, after).map(({ op, path }) => `${op} ${path}`);

describe("a column that is read as something else now", () => {
  it("takes along the filter that the wrong role brought", () => {
    expect(Object.keys(wrong.defaults.filters)).toContain("margin");
    expect(of(wrong.defaults)).toContain("remove /filters/margin");
  });

  it("brings what the right role would have begun with", () => {
    expect(of(right.defaults, right, wrong)).toContain("add /filters/margin");
    const brand = read("brand", { role: "tags", type: "list" });
    const back = read("brand", {});
    expect(of(brand.defaults, brand, back).join()).toContain("/attributes/brand");
  });

  it("leaves what somebody has changed since, and all that is read as before", () => {
    const { margin, ...filters } = wrong.defaults.filters;
    const changed = Settings.parse({ ...wrong.defaults, filters: { ...filters, margin: { ...margin, label: { en: "Spread" } } } });
    expect(of(changed).filter((change) => change.includes("filters"))).toEqual([]);
    expect(of(wrong.defaults, wrong, wrong)).toEqual([]);
    // Moved to another place, it is still as it came.
    const moved = Settings.parse({ ...wrong.defaults, filters: { ...filters, margin: { ...margin, rank: "zz" } } });
    expect(of(moved)).toContain("remove /filters/margin");
  });
});
