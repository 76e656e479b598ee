import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { readKnownWordsBy } from "@core/text/known-words";

/** Beside the built program, or where a build puts it, for tests that run the sources. */
const FOLDERS = ["../lexicon", "../../../dist/lexicon"].map((path) => join(import.meta.dirname, path));

/** Lets searches know the words of the languages that lists were built for. */
export function provideKnownWords(): void {
  readKnownWordsBy((language) => {
    const file = FOLDERS.map((folder) => join(folder, `words-${language}.txt`)).find((path) => existsSync(path));
    return file ? readFileSync(file, "utf8") : null;
  });
}
