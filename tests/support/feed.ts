import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { FeedRow } from "../../src/server/feed/feed-row";
import { type Format, formatOf } from "../../src/server/feed/formats";
import { openTextFile } from "../../src/server/feed/open-text";
import { readFeed } from "../../src/server/feed/read-feed";

/** What a feed with these bytes holds, each row or line with its number. @param format told from the bytes where it is left out. */
export async function readBytes(bytes: Buffer | string, format?: Format): Promise<FeedRow[]> {
  const folder = mkdtempSync(join(tmpdir(), "shelf-feed-"));
  const file = join(folder, "feed");
  try {
    writeFileSync(file, bytes);
    const rows: FeedRow[] = [];
    for await (const row of readFeed(file, format ?? formatOf(openTextFile(file).head))) rows.push(row);
    return rows;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Its rows alone; a line that is none by what is said of it. */
export async function rowsOf(bytes: Buffer | string, format?: Format): Promise<unknown[]> {
  return (await readBytes(bytes, format)).map((entry) => ("row" in entry ? entry.row : entry.problem));
}
