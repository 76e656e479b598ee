import { lookUp } from "../records";
import { keysOf, type PatchOperation, pointerTo } from "./patch";
import type { Settings } from "./schema";

/** The paths that an operation reads or changes. */
export function pathsOf(operation: PatchOperation): string[] {
  return "from" in operation ? [operation.from, operation.path] : [operation.path];
}

/** Paths of one patch that overlap with those of another: one is, or begins with, the other. */
export function overlaps(patch: readonly PatchOperation[], others: readonly PatchOperation[]): string[] {
  return overlapping(patch.flatMap(pathsOf), others.flatMap(pathsOf));
}

/**
 * Paths of one patch that overlap with those of another, where what is in a list overlaps with all of that list: an item is known by its
 * place, which whoever adds or removes another one changes.
 */
export function overlapsWithLists(settings: Settings, patch: readonly PatchOperation[], others: readonly PatchOperation[]): string[] {
  const whole = (operations: readonly PatchOperation[]) => operations.flatMap(pathsOf).map((path) => toList(settings, path));
  return [...new Set(overlapping(whole(patch), whole(others)))];
}

function overlapping(paths: readonly string[], taken: readonly string[]): string[] {
  // Bulk changes have thousands of paths on both sides: each is looked up, not compared with all others.
  const own = new Set(taken);
  const above = new Set(taken.flatMap(ancestorsOf));
  return paths.filter((path) => own.has(path) || above.has(path) || ancestorsOf(path).some((ancestor) => own.has(ancestor)));
}

/** The paths that a path begins with, itself aside: of "/a/b/c" they are "", "/a" and "/a/b". */
function ancestorsOf(path: string): string[] {
  const found: string[] = [];
  for (let end = path.lastIndexOf("/"); end >= 0; end = path.lastIndexOf("/", end - 1)) {
    found.push(path.slice(0, end));
    if (end === 0) break;
  }
  return found;
}

/** A path up to the first list on its way. */
function toList(settings: Settings, path: string): string {
  let value: unknown = settings;
  const way: string[] = [];
  for (const key of keysOf(path)) {
    if (Array.isArray(value)) break;
    way.push(key);
    value = typeof value === "object" && value !== null ? lookUp(value as Record<string, unknown>, key) : undefined;
  }
  return pointerTo(way);
}
