import { readdirSync, readFileSync } from "node:fs";
import { join, relative } from "node:path";
import { createContext, Script } from "node:vm";
import { type AST, RegExpParser } from "@eslint-community/regexpp";
import ts from "typescript";

/**
 * Every expression of what runs on the server meets text from outside: a feed, a query, a setting. Each is given long texts made of its
 * own pieces. One whose time grows in step with the text is done in a few milliseconds; one that goes back over it takes many times the
 * limit.
 */
const LENGTH = 200_000;
const LIMIT = 1_500;
const ROOT = join(__dirname, "../..");
const ROOMS = ["src/core", "src/contract", "src/server"];

/** Files whose expressions see no long text, with what keeps it short. */
const SHORT: Record<string, string> = {
  "src/core/feed/numbers.ts": "LONGEST: what is longer is no amount",
  "src/core/feed/stock-state.ts": "LONGEST: what is longer is looked at by plain words alone",
};

interface Found {
  place: string;
  source: string;
  flags: string;
}

function sourcesIn(folder: string): string[] {
  return readdirSync(join(ROOT, folder), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.ts$/.test(entry.name) && !/\.(test|d)\.ts$/.test(entry.name))
    .map((entry) => join(entry.parentPath ?? entry.path, entry.name));
}

function expressionsOf(file: string): Found[] {
  const source = ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.Latest, true);
  const found: Found[] = [];
  const visit = (node: ts.Node) => {
    if (ts.isRegularExpressionLiteral(node)) {
      const end = node.text.lastIndexOf("/");
      const { line } = source.getLineAndCharacterOfPosition(node.getStart());
      found.push({ place: `${relative(ROOT, file)}:${line + 1}`, source: node.text.slice(1, end), flags: node.text.slice(end + 1) });
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** A character of a set. */
function memberOf(set: AST.CharacterSet | AST.CharacterClass): string {
  const tries = " a1-_A.,<&\u00e9\u0301\u6728\t\n'\"/:;()#%=€";
  const expression = new RegExp(`^${set.raw}$`, "u");
  return [...tries].find((character) => expression.test(character)) ?? "x";
}

/** A shortest text that an element stands for. */
function sample(element: AST.Element | AST.Alternative): string {
  switch (element.type) {
    case "Alternative":
      return element.elements.map(sample).join("");
    case "Character":
      return String.fromCodePoint(element.value);
    case "CharacterSet":
    case "CharacterClass":
      return memberOf(element);
    case "Quantifier":
      return sample(element.element).repeat(Math.max(1, element.min));
    case "Group":
    case "CapturingGroup":
      return sample(element.alternatives[0]);
    default:
      return "";
  }
}

/** Texts that are likely to lead an expression astray: its beginnings, and each of its pieces, again and again. */
function hostileTo({ source, flags }: Found): string[] {
  const pattern = new RegExpParser().parsePattern(source, 0, source.length, { unicode: /[uv]/.test(flags) });
  const pieces = new Set<string>();
  const walk = (alternatives: readonly AST.Alternative[]) => {
    for (const { elements } of alternatives) {
      let beginning = "";
      for (const element of elements) {
        const one = sample(element);
        beginning += one;
        pieces.add(one).add(beginning).add(`${beginning} `);
        const inner = element.type === "Quantifier" ? element.element : element;
        if ("alternatives" in inner) walk(inner.alternatives as readonly AST.Alternative[]);
      }
    }
  };
  walk(pattern.alternatives);
  return [...pieces].flatMap((piece) => {
    if (piece === "") return [];
    const text = piece.repeat(Math.ceil(LENGTH / piece.length)).slice(0, LENGTH);
    return [`${text}\u0001`, `\u0001${text}x`];
  });
}

const context = createContext({});
const script = new Script("expression.global ? text.replace(expression, '') : text.search(expression)");

/** Whether an expression is done with a text before the limit. */
function isDone({ source, flags }: Found, text: string): boolean {
  Object.assign(context, { text, expression: new RegExp(source, flags.replace("y", "")) });
  try {
    script.runInContext(context, { timeout: LIMIT });
    return true;
  } catch {
    return false;
  }
}

describe("expressions that meet text from outside", () => {
  const all = ROOMS.flatMap(sourcesIn).flatMap(expressionsOf);
  const once = [...new Map(all.map((found) => [`${found.source}/${found.flags}`, found])).values()];

  test("are found, and the guard finds one that is astray", () => {
    expect(once.length).toBeGreaterThan(80);
    const astray = { place: "", source: "<(script|style)\\b[\\s\\S]*?<\\/\\1\\s*>", flags: "gi" };
    expect(hostileTo(astray).every((text) => isDone(astray, text))).toBe(false);
  });

  test("take time in step with the text, whatever stands in it", () => {
    const astray = once.flatMap((found) => {
      if (Object.hasOwn(SHORT, found.place.split(":")[0])) return [];
      // Where nothing repeats without end, no text takes longer than it is long.
      if (!/[*+]|\{\d+,\}/.test(found.source)) return [];
      // Once more before it is said: on a busy machine the process itself may have had to wait.
      const text = hostileTo(found).find((candidate) => !isDone(found, candidate) && !isDone(found, candidate));
      return text === undefined ? [] : [`${found.place} /${found.source}/${found.flags} with ${JSON.stringify(text.slice(0, 40))} …`];
    });
    expect(astray).toEqual([]);
  });
});
