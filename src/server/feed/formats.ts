export const FORMATS = ["csv", "tsv", "json", "jsonl", "jsonld", "rss"] as const;
export type Format = (typeof FORMATS)[number];

/** The format of a feed by how it begins. */
export function formatOf(head: string): Format {
  const text = head.replace(/^\uFEFF/, "").trimStart();
  if (text.startsWith("<")) return "rss";
  if (text.startsWith("[") || text.startsWith("{")) {
    if (/"@context"\s*:|"@graph"\s*:|"@type"\s*:/.test(text)) return "jsonld";
    return text.startsWith("{") && isLineOfJson(text.split(/\r?\n/)[0]) && /\n[^\S\n]*\{/.test(text) ? "jsonl" : "json";
  }
  const [line] = text.split(/\r?\n/);
  return line.includes("\t") && !line.includes(",") && !line.includes(";") ? "tsv" : "csv";
}

function isLineOfJson(line: string): boolean {
  try {
    return typeof JSON.parse(line) === "object";
  } catch {
    return false;
  }
}
