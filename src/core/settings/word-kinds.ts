import { z } from "zod";
import { keysOf, type PatchOperation } from "./patch";

/** Kinds of word rules that were renamed: a former name is read for ever, and written as the present one. */
const PRESENT_NAMES: Readonly<Record<string, string>> = {
  same: "synonym",
  also: "one-way",
  read: "rewrite",
  stand: "intent",
  together: "phrase",
};

/** The present name of a kind of word rule. */
export function presentKind(name: string): string {
  return Object.hasOwn(PRESENT_NAMES, name) ? PRESENT_NAMES[name] : name;
}

/** The name of a kind, also read by the name that it had before. */
export function renamedKind<const Name extends string, const Former extends string>(name: Name, former: Former): RenamedKind<Name, Former> {
  const read = z.literal<string[]>([name, former]).transform<string>(() => name);
  // What a transformation gives is not followed through a type of its own: the literal after it says it.
  return read.pipe(z.literal<string>(name)) as unknown as RenamedKind<Name, Former>;
}

type RenamedKind<Name extends string, Former extends string> = z.ZodPipe<
  z.ZodPipe<z.ZodLiteral<Name | Former>, z.ZodTransform<Name, Name | Former>>,
  z.ZodLiteral<Name>
>;

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
