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
  return paths.filter((path) => taken.some((other) => path === other || path.startsWith(`${other}/`) || other.startsWith(`${path}/`)));
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
