import { lookUp, setOwn } from "../../records";
import { freeId } from "../../settings/patch";
import { rankBehind } from "../../settings/rank";
import type { Settings } from "../../settings/schema";
import { Shelf } from "../../settings/shelf";
import { Hide } from "../../settings/storewide";
import { blankShelf } from "../../shelves/edit";
import { readJson } from "../../text/read-json";

/**
 * Shelves, redirects and storewide hides as rows of a table. What a person writes by hand has a column; all else that differs from a
 * blank rule stands as JSON in the last one, so that a table read again is what it was.
 */

export const RULE_COLUMNS = [
  "kind",
  "id",
  "name",
  "on",
  "searches",
  "categories",
  "pins",
  "add",
  "exclude",
  "strength",
  "redirect",
  "places",
  "products",
  "from",
  "until",
  "reason",
  "owner",
  "review",
  "more",
] as const;
type Column = (typeof RULE_COLUMNS)[number];
type RuleTableRow = Record<Column, string>;

const PARTING = "; ";
const PATH = " › ";
const BLANK: Readonly<Record<string, unknown>> = blankShelf("", "");

/** The items of a cell; null where one of them cannot be in it. */
function cellOf(items: readonly string[]): string | null {
  return items.every((item) => item.trim() === item && item !== "" && !item.includes(";")) ? items.join(PARTING) : null;
}

/** Writes members into their columns; one that does not fit stays for the last column. */
function write(rule: Record<string, unknown>, cells: Readonly<Record<string, readonly [Column, string | null]>>, row: RuleTableRow): void {
  const more: Record<string, unknown> = {};
  for (const [member, value] of Object.entries(rule)) {
    const cell = lookUp(cells, member);
    if (cell && cell[1] !== null) row[cell[0]] = cell[1];
    else if (member !== "name" && member !== "on" && JSON.stringify(value) !== JSON.stringify(lookUp(BLANK, member)))
      setOwn(more, member, value);
  }
  if (Object.keys(more).length > 0) row.more = JSON.stringify(more);
}

const emptyRow = (): RuleTableRow => Object.fromEntries(RULE_COLUMNS.map((column) => [column, ""])) as RuleTableRow;
const kept = ({ from, until, owner, review }: { from: string | null; until: string | null; owner: string | null; review: string | null }) =>
  ({ from: ["from", from ?? ""], until: ["until", until ?? ""], owner: ["owner", owner ?? ""], review: ["review", review ?? ""] }) as const;

export function shelfRow(id: string, shelf: Shelf): RuleTableRow {
  const { redirect } = shelf;
  const row = { ...emptyRow(), kind: redirect ? "redirect" : "shelf", id, name: shelf.name, on: shelf.on ? "yes" : "no" };
  const isPlain = redirect !== null && !redirect.keepSearch && Object.keys(redirect.filters).length === 0;
  write(
    shelf,
    {
      searches: ["searches", cellOf(shelf.searches.map(({ match, text }) => `${match}: ${text}`))],
      categories: ["categories", cellOf(shelf.categories.map((path) => path.join(PATH)))],
      pins: ["pins", cellOf(Object.entries(shelf.pins).map(([product, place]) => `${product} @ ${place}`))],
      add: ["add", cellOf(shelf.add)],
      exclude: ["exclude", cellOf(shelf.exclude)],
      strength: ["strength", cellOf(Object.entries(shelf.strength).map(([product, factor]) => `${product} × ${factor}`))],
      redirect: ["redirect", redirect === null ? "" : isPlain ? `${redirect.to}: ${redirect.value}` : null],
      ...kept(shelf),
    },
    row,
  );
  return row;
}

export function hideRow(id: string, hide: Hide): RuleTableRow {
  const row = { ...emptyRow(), kind: "hide", id, name: hide.name, on: hide.on ? "yes" : "no" };
  write(
    hide,
    {
      places: ["places", hide.places.join(PARTING)],
      products: ["products", hide.products ? cellOf(hide.products) : null],
      reason: ["reason", hide.reason],
      ...kept(hide),
    },
    row,
  );
  return row;
}

export interface ReadRules {
  shelves: Settings["shelves"];
  hides: Settings["hides"];
  problems: { line: number; message: string }[];
}

type Problems = ReadRules["problems"];

/**
 * Reads rows as rules; a row that cannot be read is named and left out. One without an id is a new rule.
 * @param lineOf the line of row i in the file, from 1.
 */
export function readRules(
  rows: readonly Record<string, unknown>[],
  settings: Pick<Settings, "shelves" | "hides">,
  lineOf: (row: number) => number,
): ReadRules {
  const read: ReadRules = { shelves: {}, hides: {}, problems: [] };
  for (const [i, row] of rows.entries()) {
    const line = lineOf(i);
    const text = (column: Column) => String(row[column] ?? "").trim();
    const more = jsonIn(text("more"), line, read.problems);
    if (more === null) continue;
    const kind = text("kind").toLowerCase();
    const common = {
      name: text("name"),
      on: text("on").toLowerCase() !== "no",
      ...filled({ from: text("from"), until: text("until"), owner: text("owner"), review: text("review") }),
    };
    if (kind === "hide") takeHide(read, settings, text("id"), { ...common, ...hideCells(text), ...more }, line);
    else if (kind === "shelf" || kind === "redirect")
      takeShelf(read, settings, text("id"), { ...common, ...shelfCells(text), ...more }, line);
    else read.problems.push({ line, message: `kind: “${text("kind")}” is none of shelf, redirect, hide` });
  }
  return read;
}

/** Reads rules as they are in the settings. */
export function readRulesJson(text: string, settings: Pick<Settings, "shelves" | "hides">): ReadRules {
  const read: ReadRules = { shelves: {}, hides: {}, problems: [] };
  const json = jsonIn(text, 1, read.problems);
  if (json === null) return read;
  for (const [id, value] of Object.entries((json.shelves ?? {}) as Record<string, Record<string, unknown>>))
    takeShelf(read, settings, id, value, 1);
  for (const [id, value] of Object.entries((json.hides ?? {}) as Record<string, Record<string, unknown>>))
    takeHide(read, settings, id, value, 1);
  if (!("shelves" in json) && !("hides" in json)) read.problems.push({ line: 1, message: "the file has neither shelves nor hides" });
  return read;
}

function takeShelf(
  read: ReadRules,
  { shelves }: Pick<Settings, "shelves">,
  wanted: string,
  value: Record<string, unknown>,
  line: number,
): void {
  const all = { ...shelves, ...read.shelves };
  const id = wanted || freeId(all, String(value.name ?? "shelf"));
  const parsed = Shelf.safeParse({ searches: [], categories: [], rank: lookUp(all, id)?.rank ?? rankBehind(all), ...value });
  if (parsed.success) setOwn(read.shelves, id, parsed.data);
  else read.problems.push({ line, message: sayIssue(parsed.error.issues[0]) });
}

function takeHide(read: ReadRules, { hides }: Pick<Settings, "hides">, wanted: string, value: Record<string, unknown>, line: number): void {
  const id = wanted || freeId({ ...hides, ...read.hides }, String(value.name ?? "hide"));
  const parsed = Hide.safeParse(value);
  if (parsed.success) setOwn(read.hides, id, parsed.data);
  else read.problems.push({ line, message: sayIssue(parsed.error.issues[0]) });
}

const sayIssue = ({ path, message }: { path: PropertyKey[]; message: string }): string =>
  path.length > 0 ? `${path.map(String).join(" ")}: ${message}` : message;

/** Only what a cell says. */
const filled = (cells: Record<string, unknown>) =>
  Object.fromEntries(Object.entries(cells).filter(([, value]) => value !== "" && value !== undefined));

function shelfCells(text: (column: Column) => string): Record<string, unknown> {
  const redirect = /^(page|category|search|address)\s*:\s*(.+)$/.exec(text("redirect"));
  return filled({
    searches: itemsIn(text("searches")).map((item) => {
      const read = /^(is|starts|contains)\s*:\s*(.+)$/.exec(item);
      return read ? { match: read[1], text: read[2] } : { match: "is", text: item };
    }),
    categories: itemsIn(text("categories")).map((item) => item.split(/[›>]/).map((label) => label.trim())),
    pins: pairsIn(text("pins"), "@"),
    add: itemsIn(text("add")),
    exclude: itemsIn(text("exclude")),
    strength: pairsIn(text("strength"), "×"),
    redirect: redirect ? { to: redirect[1], value: redirect[2] } : text("redirect") ? { to: "search", value: text("redirect") } : undefined,
  });
}

function hideCells(text: (column: Column) => string): Record<string, unknown> {
  const products = itemsIn(text("products"));
  return filled({
    places: itemsIn(text("places")),
    products: products.length > 0 ? products : undefined,
    reason: text("reason"),
  });
}

const itemsIn = (cell: string): string[] =>
  cell
    .split(";")
    .map((item) => item.trim())
    .filter(Boolean);

/** "P-1 @ 2; P-2 @ 3" as numbers by product. */
function pairsIn(cell: string, sign: string): Record<string, number> {
  return Object.fromEntries(
    itemsIn(cell).map((item) => {
      const at = item.lastIndexOf(sign);
      return at < 0
        ? [item, 1]
        : [
            item.slice(0, at).trim(),
            Number(
              item
                .slice(at + sign.length)
                .trim()
                .replace(",", "."),
            ),
          ];
    }),
  );
}

function jsonIn(text: string, line: number, problems: Problems): Record<string, unknown> | null {
  if (text === "") return {};
  try {
    const json = readJson(text);
    if (typeof json === "object" && json !== null && !Array.isArray(json)) return json as Record<string, unknown>;
    problems.push({ line, message: "more: not a JSON object" });
  } catch (error) {
    problems.push({ line, message: `more: not JSON, ${error instanceof Error ? error.message : "it cannot be read"}` });
  }
  return null;
}
