import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { build } from "@core/index/build";
import { gardenCatalogue } from "@tests/core/garden";
import { openIndex, saveIndex, saveIndexSlowly } from "./index-file";

describe("a saved index", () => {
  const folder = mkdtempSync(join(tmpdir(), "shelf-index-"));
  const file = join(folder, "catalogue-1.index");
  const index = build({ ...gardenCatalogue(), pages: [{ id: "g", title: "Pruning", text: "When", link: "/g", picture: null }] });
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  test("is the same however it was written and opened", async () => {
    saveIndex(file, index, 4);
    const written = readFileSync(file);
    expect(await openIndex(file, 4)).toEqual(index);
    await saveIndexSlowly(file, index, 4);
    expect(readFileSync(file).equals(written)).toBe(true);
    expect(existsSync(`${file}.part`)).toBe(false);
  });

  test("without anything in it is one too", async () => {
    const nothing = build({ locale: "en", fields: [], products: [], pages: [] });
    saveIndex(file, nothing, 1);
    expect(await openIndex(file, 1)).toEqual(nothing);
  });

  test("that is damaged or of another state is not opened; of another state it stays, for where there is nothing else", async () => {
    saveIndex(file, index, 4);
    expect([await openIndex(file, 5), (await openIndex(file, null))?.products]).toEqual([null, index.products]);
    const bytes = readFileSync(file);
    bytes[bytes.length - 9] ^= 1;
    writeFileSync(file, bytes);
    expect([await openIndex(file, 4), await openIndex(file, null)]).toEqual([null, null]);
  });
});
