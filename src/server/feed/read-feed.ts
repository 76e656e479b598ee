import type { FeedRow } from "./feed-row";
import type { Format } from "./formats";
import { openTextFile } from "./open-text";
import { readJson } from "./read-json";
import { readJsonLines } from "./read-json-lines";
import { readLinkedData } from "./read-linked-data";
import { readTable } from "./read-table";
import { readXml } from "./read-xml";

/**
 * Reads the rows of a feed file one after the other; the file's size costs no memory.
 * @throws FeedError when the file as a whole cannot be read.
 */
export function readFeed(file: string, format: Format): AsyncGenerator<FeedRow> {
  const text = openTextFile(file);
  switch (format) {
    case "jsonl":
      return readJsonLines(text);
    case "json":
      return readJson(text);
    case "jsonld":
      return readLinkedData(text);
    case "rss":
      return readXml(text);
    default:
      return readTable(text, format);
  }
}
