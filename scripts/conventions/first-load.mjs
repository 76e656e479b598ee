import { posix } from "node:path";
import ts from "typescript";

/**
 * What a page loads before it shows anything must not build the schemas of all settings: that takes longer than all else it does.
 * Forms bring them along when they are opened.
 */
const HEAVY = "zod";
const ALIASES = { "@contract/": "src/contract/", "@core/": "src/core/", "@ui/": "src/web/ui/" };

/** What a file imports for its values at once: neither types alone nor what is loaded later. */
function importsOf(path, text) {
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, false, path.endsWith("x") ? ts.ScriptKind.TSX : ts.ScriptKind.TS);
  return source.statements.flatMap((statement) => {
    if (!(ts.isImportDeclaration(statement) || ts.isExportDeclaration(statement)) || !statement.moduleSpecifier) return [];
    const clause = ts.isImportDeclaration(statement) ? statement.importClause : statement;
    const named = clause?.namedBindings ?? clause?.exportClause;
    const isTypes =
      clause?.isTypeOnly || (!clause?.name && named?.elements?.length > 0 && named.elements.every((element) => element.isTypeOnly));
    return isTypes ? [] : [statement.moduleSpecifier.text];
  });
}

function resolve(path, specifier, has) {
  const alias = Object.keys(ALIASES).find((prefix) => specifier.startsWith(prefix));
  const bare = alias ? ALIASES[alias] + specifier.slice(alias.length) : posix.join(posix.dirname(path), specifier);
  if (!alias && !specifier.startsWith(".")) return null;
  return [bare, `${bare}.ts`, `${bare}.tsx`].find((found) => /\.tsx?$/.test(found) && has(found)) ?? null;
}

/**
 * The way from an entry to a schema, if there is one: the files that import each other, the entry first.
 * @param {string} entry path from the root of the project, with slashes
 * @param {(path: string) => string | null} read the text of a file, null where there is none
 * @returns {string[] | null}
 */
export function wayToSchema(entry, read) {
  const cameFrom = new Map([[entry, null]]);
  for (const path of cameFrom.keys())
    for (const specifier of importsOf(path, read(path) ?? "")) {
      if (specifier === HEAVY) {
        const way = [];
        for (let at = path; at !== null; at = cameFrom.get(at)) way.unshift(at);
        return way;
      }
      const found = resolve(path, specifier, (file) => read(file) !== null);
      if (found && !cameFrom.has(found)) cameFrom.set(found, path);
    }
  return null;
}
