/** How a table begins. */
export interface TableHead {
  /** The sign, or signs, between its columns. */
  delimiter: string;
  /** Records before the one that names the columns. */
  above: number;
  /** Whether the first line does nothing but name the delimiter ("sep=;"). */
  namesDelimiter: boolean;
}

const SIGNS = [",", ";", "\t", "|", "^", "~", "¦"];
/** What may part columns where none of the usual signs does; also those that never stand in a text. */
const RARE_SIGNS = [":", "§", "#", "!", "*", "=", "\u0001", "\u001E", "\u001F"];
const MOST_LINES = 20;
const MOST_ABOVE = 10;
/** Columns that lines must have before the lines above them count as headings. */
const LEAST_COLUMNS = 3;
/** Lines of as many columns or more that must follow on the names, and their share. */
const LEAST_FULL = 2;
const MOSTLY = 0.8;

/** The delimiter of a table and where its names are, by its beginning. A comma where nothing parts anything. */
export function tableHead(head: string): TableHead {
  const plain = head.replace(/^\uFEFF/, "").replace(/"(?:[^"]|"")*"/g, "x");
  const lines = plain.split(/\r\n|\r|\n/).slice(0, MOST_ABOVE + MOST_LINES);
  const named = /^sep=(.{1,2})$/i.exec(lines[0] ?? "")?.[1];
  if (named) return { delimiter: named, above: 1, namesDelimiter: true };
  const above = linesAbove(lines);
  return { delimiter: delimiterOf(lines.slice(above)), above, namesDelimiter: false };
}

/** The sign that the first line has most of and the others as often; one that stands twice each time is one of two signs. */
function delimiterOf(lines: readonly string[]): string {
  const [names = "", ...others] = lines.filter((line) => line !== "").slice(0, MOST_LINES);
  const counted = SIGNS.map((sign) => {
    const count = countOf(names, sign);
    return { sign, count, alike: others.filter((line) => countOf(line, sign) === count).length };
  });
  const best = counted.reduce((a, b) => (b.count > 0 && (a.count === 0 || b.count * (b.alike + 1) > a.count * (a.alike + 1)) ? b : a));
  if (best.count > 0) return isDoubled(names, best.sign) ? best.sign.repeat(2) : best.sign;
  const isSteady = (sign: string) =>
    countOf(names, sign) > 0 && others.length > 0 && others.every((line) => countOf(line, sign) === countOf(names, sign));
  return RARE_SIGNS.find(isSteady) ?? ",";
}

/** Lines with nothing or one value in them, such as the title of a sheet, above lines of several columns alike. */
function linesAbove(lines: readonly string[]): number {
  const cells = (line: string, sign: string) => line.split(sign).filter((cell) => cell.trim() !== "").length;
  for (const sign of SIGNS) {
    const first = lines.findIndex((line) => cells(line, sign) >= LEAST_COLUMNS);
    if (first <= 0 || first > MOST_ABOVE) continue;
    const columns = countOf(lines[first], sign);
    const next = lines.slice(first + 1).filter((line) => line !== "");
    const full = next.filter((line) => countOf(line, sign) >= columns).length;
    // A sign that the lines of the table have as well parts them just so; this one is in their cells.
    const parts = (other: string, line: string) =>
      cells(line, other) > 1 && (other === sign || countOf(line, other) === countOf(lines[first], other));
    const isAlone = lines.slice(0, first).every((line) => !SIGNS.some((other) => parts(other, line)));
    if (isAlone && full >= Math.max(1, Math.min(LEAST_FULL, next.length), next.length * MOSTLY)) return first;
  }
  return 0;
}

const countOf = (line: string, sign: string): number => line.split(sign).length - 1;

const isDoubled = (line: string, sign: string): boolean => sign !== "\t" && countOf(line, sign.repeat(2)) * 2 === countOf(line, sign);
