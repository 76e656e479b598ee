import { Settings } from "@core/settings/schema";
import { applyPatch } from "../draft/apply-patch";
import { showAgain } from "./show-again";

const fields = [
  { key: "title", role: "title" as const },
  { key: "off", role: "hidden" as const },
];
const settings = Settings.parse({
  hides: { frost: { name: "Frost-tender", products: ["P1"], places: ["searching"] } },
  products: { P2: { set: { title: "Fern" }, boost: 2 } },
});

describe("showing a hidden product again", () => {
  test("switches off the hide that holds it", () => {
    expect(applyPatch(settings, showAgain(settings, fields, "P1", "frost")).hides.frost.on).toBe(false);
  });
  test("what the feed hides gets another value by hand, beside those it has", () => {
    expect(applyPatch(settings, showAgain(settings, fields, "P1", "feed")).products.P1.set).toEqual({ off: false });
    expect(applyPatch(settings, showAgain(settings, fields, "P2", "feed")).products.P2).toMatchObject({
      set: { title: "Fern", off: false },
      boost: 2,
    });
  });
  test("nothing is changed where nothing of the draft hides it", () => {
    expect(showAgain(settings, fields, "P1", "gone")).toEqual([]);
    expect(showAgain(settings, [fields[0]], "P1", "feed")).toEqual([]);
  });
});
