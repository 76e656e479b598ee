import { join, relative } from "node:path";
import ts from "typescript";

/**
 * Objects whose keys are data are read with lookUp and written with setOwn (core/records.ts): a field or a product may be called
 * "constructor" or "__proto__". What the compiler knows of types says which objects those are.
 * @typedef {import("./rules.d.mts").Finding & { path: string }} Place
 */

const RULE = "lookup-by-data";
const MESSAGE = "What is called by data is looked up with lookUp and put in with setOwn of core/records.ts.";

/**
 * Places of a program where an object is read, written or asked by a text that is not known beforehand.
 * @param {ts.Program} program @param {(path: string) => boolean} isMeant by the path from the root
 * @returns {Place[]}
 */
export function lookupsIn(program, root, isMeant) {
  const checker = program.getTypeChecker();
  const isText = (node) => (checker.getTypeAtLocation(node).flags & ts.TypeFlags.String) !== 0;
  const isRecord = (node) => {
    const type = checker.getTypeAtLocation(node);
    return (type.isUnion() ? type.types : [type]).some((part) => checker.getIndexInfoOfType(part, ts.IndexKind.String));
  };
  const breaks = (node) => {
    if (ts.isElementAccessExpression(node))
      return !ts.isDeleteExpression(node.parent) && isText(node.argumentExpression) && isRecord(node.expression);
    if (ts.isBinaryExpression(node) && node.operatorToken.kind === ts.SyntaxKind.InKeyword)
      return isText(node.left) && isRecord(node.right);
    return false;
  };
  const places = [];
  for (const source of program.getSourceFiles()) {
    const path = relative(root, source.fileName).replaceAll("\\", "/");
    if (source.isDeclarationFile || !isMeant(path)) continue;
    const visit = (node) => {
      if (breaks(node)) {
        const { line } = source.getLineAndCharacterOfPosition(node.getStart());
        places.push({ path, line: line + 1, rule: RULE, message: MESSAGE });
      }
      ts.forEachChild(node, visit);
    };
    visit(source);
  }
  return places;
}

/** The program of all sources, as tsconfig.json describes it. */
export function programOf(root) {
  const { config } = ts.readConfigFile(join(root, "tsconfig.json"), ts.sys.readFile);
  const { fileNames, options } = ts.parseJsonConfigFileContent(config, ts.sys, root);
  return ts.createProgram(fileNames, options);
}
