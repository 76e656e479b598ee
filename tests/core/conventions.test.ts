import ts from "typescript";
import { wayToSchema } from "../../scripts/conventions/first-load.mjs";
import { lookupsIn } from "../../scripts/conventions/lookups.mjs";
import { exceptionsOf, findingsIn } from "../../scripts/conventions/rules.mjs";

const rulesIn = (path: string, text: string) => findingsIn(path, text).map(({ line, rule }) => `${line} ${rule}`);

describe("the rules of this project", () => {
  it.each([
    [
      "an answer of a type of its own",
      "src/web/bench/words/Rules.tsx",
      'const a = await ask<{ total: number }>("GET /x", {});',
      "answer-of-own-type",
    ],
    [
      "a reading of a type of its own",
      "src/web/bench/words/Rules.tsx",
      'const { data } = useAsk<Words>("GET /x", {});',
      "answer-of-own-type",
    ],
    ["a fetch by hand", "src/web/shop/Home.tsx", 'const a = await fetch("/api/stores");', "fetch-outside-client"],
    ["an effect that asks", "src/web/bench/a.tsx", 'useEffect(() => { ask("GET /x", {}).then(set); }, []);', "effect-that-asks"],
    [
      "an effect that asks in a function",
      "src/web/bench/a.tsx",
      "useEffect(() => { const go = async () => { await askStore(KEY, id, {}); }; go(); }, []);",
      "effect-that-asks",
    ],
    [
      "a pointer written by hand",
      "src/web/bench/a.tsx",
      'edit([{ op: "replace", path: "/ranking/tieWidth", value: 3 }]);',
      "inline-pointer",
    ],
    ["a pointer put together by hand", "src/core/insights/a.ts", "const o = { op: 'add', path: `/words/w`, value };", "inline-pointer"],
    ["any", "src/core/a.ts", "const a = b as any;", "any"],
    [
      "a rule of the linter that is silenced",
      "src/web/bench/a.tsx",
      "// biome-ignore lint/correctness/useExhaustiveDependencies: no",
      "silenced-rule",
    ],
    ["an error of types that is silenced", "src/web/bench/a.tsx", "// @ts-ignore", "silenced-rule"],
  ])("find %s", (_, path, text, rule) => {
    expect(rulesIn(path, `\n${text}`)).toEqual([`2 ${rule}`]);
  });

  it.each([
    ["a table of routes that a client is made for", "src/web/shop/client.ts", "const ask = asker<typeof routes>(base);"],
    ["the one place that fetches", "src/web/ui/http.ts", "const response = await fetch(address);"],
    ["an effect that asks nothing", "src/web/bench/a.tsx", "useEffect(() => { window.scrollTo(0, 0); }, []);"],
    ["asking in an event", "src/web/bench/a.tsx", 'const save = () => void ask("POST /x", {}).then(done);'],
    ["changes made with their names", "src/web/bench/a.tsx", 'edit([set(["ranking", "tieWidth"], 3)]);'],
    ["operations that are read", "src/core/a.ts", "const o = { op, path: pointerTo(keys), value };"],
    ["tests", "src/core/a.test.ts", 'const a = { op: "add", path: "/words/w", value: 1 as any };'],
    ["the word any in a text", "src/core/a.ts", 'const any = "any"; // any'],
  ])("leave %s alone", (_, path, text) => {
    expect(rulesIn(path, text)).toEqual([]);
  });

  it("let a file silence what the linter says only where that is said", () => {
    const text = "// biome-ignore lint/correctness/useExhaustiveDependencies: the key says it";
    expect(findingsIn("src/web/a.tsx", text, new Set(["src/web/a.tsx"]))).toEqual([]);
    expect(findingsIn("src/web/b.tsx", text, new Set(["src/web/a.tsx"]))).toHaveLength(1);
  });

  it("find layers that let a path through", () => {
    const tests = ["\\.test\\.tsx?$"];
    const rule = (name: string, pathNot?: unknown) => ({
      name,
      from: { path: "^src", ...(pathNot ? { pathNot } : {}) },
      to: { path: "^src/web" },
    });
    expect(exceptionsOf({ forbidden: [rule("a"), rule("b", tests), rule("c", ["src/old.ts"]), rule("d", [])] }, tests)).toEqual(["c"]);
  });
});

describe("what a page loads at once", () => {
  const SCHEMA = 'import { z } from "zod";\nexport const A = z.string();';
  const wayIn = (files: Record<string, string>) => wayToSchema("src/web/bench/Bench.tsx", (path) => files[path] ?? null);

  it("is followed to a schema, through names for rooms and files that hand on", () => {
    const files = {
      "src/web/bench/Bench.tsx": 'import { B } from "./frame/B";',
      "src/web/bench/frame/B.tsx": 'export * from "@core/settings/a";',
      "src/core/settings/a.ts": SCHEMA,
    };
    expect(wayIn(files)).toEqual(["src/web/bench/Bench.tsx", "src/web/bench/frame/B.tsx", "src/core/settings/a.ts"]);
  });

  it.each([
    ["types alone", 'import type { A } from "@core/settings/a";'],
    ["types alone, said one by one", 'import { type A } from "@core/settings/a";'],
    ["what is loaded later", 'const later = () => import("@core/settings/a");'],
    ["what is not there", 'import "./styles.css";\nimport { A } from "./gone";'],
    ["packages", 'import { useState } from "react";'],
  ])("does not count %s", (_, text) => {
    expect(wayIn({ "src/web/bench/Bench.tsx": text, "src/core/settings/a.ts": SCHEMA })).toBeNull();
  });
});

describe("objects whose keys are data", () => {
  function linesIn(text: string): number[] {
    const files: Record<string, string> = { "/shop/src/a.ts": text };
    const options: ts.CompilerOptions = { noLib: true, strict: true };
    const host: ts.CompilerHost = {
      ...ts.createCompilerHost(options),
      fileExists: (path) => path in files,
      readFile: (path) => files[path],
      getSourceFile: (path, target) => (files[path] === undefined ? undefined : ts.createSourceFile(path, files[path], target)),
      getCurrentDirectory: () => "/shop",
    };
    return lookupsIn(ts.createProgram(Object.keys(files), options, host), "/shop", () => true).map(({ line }) => line);
  }
  const HEAD =
    'interface Words { [id: string]: number }\ndeclare const words: Words, id: string, list: number[], kind: "a" | "b", map: { a: 1; b: 2 };';

  it.each([
    ["read", "words[id];"],
    ["read of something that may be missing", "(words as Words | undefined)?.[id];"],
    ["written", "words[id] = 1;"],
    ["counted", "words[id]++;"],
    ["asked for", "id in words;"],
  ])("are found where they are %s by a text", (_, text) => {
    expect(linesIn(`${HEAD}\n${text}`)).toEqual([3]);
  });

  it.each([
    ["a name that is written there", 'words["title"]; words.title;'],
    ["one of some names", "map[kind];"],
    ["a number", "list[0];"],
    ["what is taken out", "delete words[id];"],
  ])("are left alone with %s", (_, text) => {
    expect(linesIn(`${HEAD}\n${text}`)).toEqual([]);
  });
});
