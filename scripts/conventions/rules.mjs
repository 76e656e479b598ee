import ts from "typescript";

/**
 * Rules of this project that no general linter knows. Each looks at one file and gives the places that break it.
 * @typedef {{ line: number, rule: string, message: string }} Finding
 */

const isTest = (path) => /\.test\.tsx?$/.test(path);
const isWeb = (path) => path.startsWith("src/web/");

/** Functions that ask the server. Their answers are typed by the contract. */
const ASKERS = new Set(["ask", "askStore", "askShop", "useAsk", "useFact", "fetch", "call"]);
const calledName = (node) => {
  const callee = node.expression;
  return ts.isIdentifier(callee) ? callee.text : ts.isPropertyAccessExpression(callee) ? callee.name.text : "";
};
const isAsking = (node) => ts.isCallExpression(node) && ts.isIdentifier(node.expression) && ASKERS.has(node.expression.text);

function some(node, test) {
  return test(node) || ts.forEachChild(node, (child) => some(child, test) || undefined) === true;
}

const propertyOf = (node, name) =>
  node.properties.find((property) => property.name && ts.isIdentifier(property.name) && property.name.text === name);
const isText = (node) => node && (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node) || ts.isTemplateExpression(node));

const RULES = [
  {
    name: "answer-of-own-type",
    message: "An answer has the type that its route has in src/contract; give no type of your own.",
    applies: isWeb,
    breaks: (node) => ts.isCallExpression(node) && ASKERS.has(calledName(node)) && node.typeArguments !== undefined,
  },
  {
    name: "fetch-outside-client",
    message: "The server is asked through ui/http.ts, which types what is sent and what comes.",
    applies: (path) => isWeb(path) && path !== "src/web/ui/http.ts",
    breaks: (node) => ts.isCallExpression(node) && ts.isIdentifier(node.expression) && node.expression.text === "fetch",
  },
  {
    name: "effect-that-asks",
    message: "What is read from the server is read with useAsk or useFact, not in an effect.",
    applies: (path) => path.startsWith("src/web/bench/"),
    breaks: (node) =>
      ts.isCallExpression(node) &&
      /^use(Layout)?Effect$/.test(calledName(node)) &&
      node.arguments.some((argument) => some(argument, isAsking)),
  },
  {
    name: "inline-pointer",
    message: "A change of settings is made with set, add, remove or move of core/settings/patch.ts.",
    applies: (path) => path.startsWith("src/") && path !== "src/core/settings/patch.ts",
    breaks: (node) => {
      if (!ts.isObjectLiteralExpression(node) || !propertyOf(node, "op")) return false;
      const path = propertyOf(node, "path");
      return path !== undefined && ts.isPropertyAssignment(path) && isText(path.initializer);
    },
  },
  {
    name: "any",
    message: "any says nothing; unknown, or the type, does.",
    applies: () => true,
    breaks: (node) => node.kind === ts.SyntaxKind.AnyKeyword,
  },
];

/** Rules of the general linter that are not to be silenced, and how often some of them still are, by file. */
const SILENCED = /biome-ignore lint\/(correctness\/useExhaustiveDependencies|suspicious\/noExplicitAny)|@ts-(ignore|expect-error|nocheck)/;

/**
 * What a file breaks.
 * @param {string} path from the root of the project, with slashes
 * @param {string} text
 * @param {ReadonlySet<string>} allowed files in which a rule of the general linter is silenced for a reason that stands there
 * @returns {Finding[]}
 */
export function findingsIn(path, text, allowed = new Set()) {
  if (isTest(path)) return [];
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true, path.endsWith("x") ? ts.ScriptKind.TSX : ts.ScriptKind.TS);
  const rules = RULES.filter(({ applies }) => applies(path));
  const findings = [];
  const visit = (node) => {
    for (const { name, message, breaks } of rules)
      if (breaks(node)) findings.push({ line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1, rule: name, message });
    ts.forEachChild(node, visit);
  };
  visit(source);
  text.split("\n").forEach((line, i) => {
    if (SILENCED.test(line) && !allowed.has(path))
      findings.push({ line: i + 1, rule: "silenced-rule", message: "Mend what the linter says; do not silence it." });
  });
  return findings.sort((a, b) => a.line - b.line);
}

/**
 * Rules of the layers and rooms that let a path through: none may but for tests.
 * @param {{ forbidden: { name: string, from: { pathNot?: unknown } }[] }} config
 */
export function exceptionsOf(config, tests) {
  return config.forbidden
    .filter(({ from, to }) =>
      [from.pathNot, to?.pathNot].some((not) => not && JSON.stringify(not) !== "[]" && JSON.stringify(not) !== JSON.stringify(tests)),
    )
    .map(({ name }) => name);
}
