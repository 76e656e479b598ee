import { keysOf, type PatchOperation } from "./patch";
import { presentKind } from "./word-kinds";

/** A patch whose word rules are given by their present names, in values and in what is tested. */
export function withPresentKinds(patch: readonly PatchOperation[]): PatchOperation[] {
  return patch.map((operation) => {
    if (!("value" in operation)) return operation;
    const [part, ...inside] = keysOf(operation.path);
    return part === "words" ? { ...operation, value: presentValue(inside, operation.value) } : operation;
  });
}

/** @param inside what of the word rules the value is: all of them, one, or its kind. */
function presentValue(inside: readonly string[], value: unknown): unknown {
  if (inside.length === 2 && inside[1] === "does" && typeof value === "string") return presentKind(value);
  if (inside.length > 1 || typeof value !== "object" || value === null || Array.isArray(value)) return value;
  if (inside.length === 1) return "does" in value && typeof value.does === "string" ? { ...value, does: presentKind(value.does) } : value;
  return Object.fromEntries(Object.entries(value).map(([id, rule]) => [id, presentValue([id], rule)]));
}
