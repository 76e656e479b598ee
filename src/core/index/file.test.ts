import { crc32 } from "node:zlib";
import { gardenCatalogue } from "@tests/core/garden";
import { build } from "./build";
import { type Checksum, packIndex, unpackIndex } from "./file";

const checksum: Checksum = (bytes, start) => bytes.reduce((sum, byte) => (Math.imul(sum, 31) + byte) >>> 0, start);

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const bytes = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    bytes.set(part, at);
    at += part.length;
  }
  return bytes;
}

describe("an index in a file", () => {
  const index = build({ ...gardenCatalogue(), pages: [{ id: "g", title: "Pruning", text: "When", link: "/g", picture: null }] });
  const bytes = joined(packIndex(index, 7, checksum));

  test("comes out as it went in, pages included", () => {
    expect(unpackIndex(bytes, 7, checksum)).toEqual(index);
  });
  test("is opened with the checksum that files have, whatever it holds nothing of", () => {
    for (const catalogue of [gardenCatalogue(), { locale: "en", fields: [], products: [], pages: [] }]) {
      const made = build(catalogue);
      expect(unpackIndex(joined(packIndex(made, 1, crc32)), 1, crc32)).toEqual(made);
    }
  });
  test("is not opened for another state of the catalogue, in another version, or damaged anywhere", () => {
    expect(unpackIndex(bytes, 8, checksum)).toBeNull();
    expect(unpackIndex(bytes.subarray(0, 5), 7, checksum)).toBeNull();
    expect(unpackIndex(bytes.slice(0, -8), 7, checksum)).toBeNull();
    for (const place of [0, 4, 9, 200, bytes.length - 3]) {
      const damaged = bytes.slice();
      damaged[place] ^= 4;
      expect(unpackIndex(damaged, 7, checksum)).toBeNull();
    }
  });
});
