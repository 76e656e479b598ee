import { closeSync, mkdtempSync, openSync, rmSync, writeSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { readFeed } from "../src/server/feed/read-feed";
import type { Figure } from "./figure";

const LINES = [5_000, 500_000];
const FORMATS = ["csv", "jsonl", "json", "rss"] as const;

/** The most memory that reading takes beyond what was in use before, for a short and a long file of each format. */
export async function readingFigures(): Promise<Figure[]> {
  const folder = mkdtempSync(join(tmpdir(), "shelf-reading-"));
  const figures: Figure[] = [];
  try {
    for (const format of FORMATS) {
      const peaks: number[] = [];
      for (const lines of LINES) {
        const file = join(folder, `feed-${lines}`);
        writeFeed(file, format, lines);
        peaks.push(await peakOf(file, format));
      }
      figures.push({
        what: `memory of reading ${format}, 500,000 lines`,
        than: "5,000 lines",
        products: LINES[1],
        here: peaks[1],
        beside: peaks[0],
        unit: "MB",
      });
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  return figures;
}

async function peakOf(file: string, format: (typeof FORMATS)[number]): Promise<number> {
  const used = () => {
    globalThis.gc?.();
    const { heapUsed, external } = process.memoryUsage();
    return (heapUsed + external) / 1024 ** 2;
  };
  const before = used();
  let most = 0;
  let rows = 0;
  for await (const _ of readFeed(file, format)) if (rows++ % 2_500 === 0) most = Math.max(most, used());
  // What was let go of meanwhile was no part of the reading.
  return most - Math.min(before, used());
}

const WRAP: Record<(typeof FORMATS)[number], [string, string]> = {
  csv: ["id,title,price,text\n", ""],
  jsonl: ["", ""],
  json: ["[", '{"id":"last"}]'],
  rss: ['<rss version="2.0"><channel>', "</channel></rss>"],
};

/** Compressed, as large feeds come. */
function writeFeed(file: string, format: (typeof FORMATS)[number], lines: number): void {
  const descriptor = openSync(file, "w");
  const [head, tail] = WRAP[format];
  let waiting = head;
  for (let i = 0; i < lines; i++) {
    waiting += lineOf(format, i);
    if (waiting.length < 1 << 20 && i < lines - 1) continue;
    writeSync(descriptor, gzipSync(i === lines - 1 ? waiting + tail : waiting, { level: 1 }));
    waiting = "";
  }
  closeSync(descriptor);
}

function lineOf(format: (typeof FORMATS)[number], i: number): string {
  const text = `Product ${i} with a text of some length, number ${(i * 7919) % 10_007}`;
  if (format === "csv") return `P-${i},"Title, ${i}",${i % 90}.5,${text.replace(",", "")}\n`;
  const json = JSON.stringify({ id: `P-${i}`, title: `Title ${i}`, price: i % 90, text });
  if (format === "jsonl") return `${json}\n`;
  if (format === "json") return `${json},\n`;
  return `<item><guid>P-${i}</guid><title>Title ${i}</title><description>${text}</description></item>\n`;
}
