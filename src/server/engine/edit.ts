import { removedButUsed } from "@core/insights/catalogue/removed-uses";
import { lookUp, setOwn } from "@core/records";
import { pathsOf } from "@core/settings/overlaps";
import { keysOf, type PatchOperation, pointerTo } from "@core/settings/patch";
import { withPresentKinds } from "@core/settings/present-patch";
import { Settings } from "@core/settings/schema";
import { problemOfSelections } from "@core/settings/selection-levels";
import jsonPatch, { type Operation } from "fast-json-patch";
import { z } from "zod";
import { Problem } from "../http/problem";
import { describeIssues } from "../http/serve";

type Part = keyof Settings;
const PARTS = Object.keys(Settings.shape) as Part[];

/** A change of settings that was found valid: the new settings share every part that was not touched. */
export interface Edit {
  settings: Settings;
  patch: PatchOperation[];
  inverse: PatchOperation[];
}

/** Applies a patch to settings, all or nothing, and validates what it touched. Former names of values are taken as the present ones. */
export function editSettings(settings: Settings, asked: readonly PatchOperation[]): Edit {
  const patch = withPresentKinds(asked);
  const touched = touchedOf(patch);
  const next: Record<string, unknown> = { ...settings };
  for (const [part, keys] of touched) next[part] = keys ? { ...settings[part] } : structuredClone(settings[part]);
  const failed = applyTo(next, patch, touched);
  if (failed) throw failed;
  const result = { ...settings } as Record<string, unknown>;
  const errors: { path: string; message: string }[] = [];
  for (const [part, keys] of touched) {
    // What was not touched was valid before, and stays the same object, so that what was prepared from it is found again.
    const parsed = Settings.shape[part].safeParse(keys ? only(next[part] as Entries, keys) : next[part]);
    if (!parsed.success) errors.push(...describeIssues(parsed.error, `/${part}`));
    else if (keys) result[part] = withEntries(next[part] as Entries, parsed.data as Entries);
    else result[part] = parsed.data;
  }
  if (touched.has("selections") && errors.length === 0) {
    const problem = problemOfSelections((result as Settings).selections);
    if (problem) errors.push({ path: pointerTo(["selections", problem.id]), message: problem.message });
  }
  if (errors.length === 0)
    for (const { part, id, name, uses } of removedButUsed(settings, result as Settings))
      errors.push({
        path: pointerTo([part, id]),
        message: `“${name}” is used in ${uses.join(", ")}. Change that first, or remove both at once.`,
      });
  if (errors.length > 0) throw new Problem(422, `${errors[0].path}: ${errors[0].message}`, errors);
  const before = touchedIn(settings, touched);
  const after = touchedIn(result as Settings, touched);
  // The patch is written down as it came out after validation, with its defaults.
  return { settings: result as Settings, patch: differences(before, after), inverse: differences(after, before) };
}

/** What was touched of settings, and nothing else. */
function touchedIn(settings: Settings, touched: ReadonlyMap<Part, Set<string> | null>): object {
  return Object.fromEntries([...touched].map(([part, keys]) => [part, keys ? only(settings[part] as Entries, keys) : settings[part]]));
}

type Entries = Record<string, unknown>;

const only = (entries: Entries, keys: ReadonlySet<string>): Entries =>
  Object.fromEntries([...keys].flatMap((key) => (Object.hasOwn(entries, key) ? [[key, lookUp(entries, key)]] : [])));

/** Entries with others in the places of some of them. */
function withEntries(entries: Entries, others: Entries): Entries {
  for (const [key, value] of Object.entries(others)) setOwn(entries, key, value);
  return entries;
}

/** Parts that are entries by id, each valid or not by itself. */
const isOfEntries = (part: Part): boolean =>
  Settings.shape[part] instanceof z.ZodDefault && Settings.shape[part].unwrap() instanceof z.ZodRecord;

/** The parts that a patch touches, of those by id with the entries; null where more of a part is touched than some entries. */
function touchedOf(patch: readonly PatchOperation[]): Map<Part, Set<string> | null> {
  const touched = new Map<Part, Set<string> | null>(touchedParts(patch).map((part) => [part, isOfEntries(part) ? new Set() : null]));
  for (const path of patch.flatMap(pathsOf)) {
    const [part, key] = keysOf(path) as [Part, string | undefined];
    if (key === undefined) touched.set(part, null);
    else touched.get(part)?.add(key);
  }
  return touched;
}

function touchedParts(patch: readonly PatchOperation[]): Part[] {
  const touched = new Set<Part>();
  for (const operation of patch) {
    for (const path of pathsOf(operation)) {
      const [part] = keysOf(path);
      if (!PARTS.includes(part as Part)) {
        throw new Problem(422, `${path || "/"}: there is no such part of the settings.`, [
          { path, message: `Settings have the parts ${PARTS.join(", ")}.` },
        ]);
      }
      touched.add(part as Part);
    }
  }
  return [...touched];
}

function applyTo(
  document: Record<string, unknown>,
  patch: readonly PatchOperation[],
  touched: ReadonlyMap<Part, Set<string> | null>,
): Problem | null {
  /** Entries that may be changed in place: nobody else has them. */
  const own = new Map<Part, Set<string>>();
  const takeOver = (path: string) => {
    const [part, key] = keysOf(path) as [Part, string];
    const entries = document[part] as Entries;
    const taken = own.get(part) ?? new Set();
    own.set(part, taken);
    if (!touched.get(part) || taken.has(key) || !Object.hasOwn(entries, key)) return;
    setOwn(entries, key, structuredClone(lookUp(entries, key)));
    taken.add(key);
  };
  /** The usual case, without what any case needs: an entry is put in, replaced or taken out. @returns whether it was one. */
  const setEntry = (operation: PatchOperation): boolean => {
    const [part, key, ...deeper] = keysOf(operation.path) as [Part, string | undefined];
    // What may not be called so is refused in the same words as everywhere.
    if (key === undefined || key === "__proto__" || deeper.length > 0 || !touched.get(part)) return false;
    const entries = document[part] as Entries;
    if (operation.op === "add" || (operation.op === "replace" && Object.hasOwn(entries, key))) setOwn(entries, key, operation.value);
    else if (operation.op === "remove" && Object.hasOwn(entries, key)) delete entries[key];
    else return false;
    own.get(part)?.delete(key);
    return true;
  };
  for (const [i, operation] of patch.entries()) {
    try {
      if (setEntry(operation)) continue;
      for (const path of pathsOf(operation)) takeOver(path);
      jsonPatch.applyOperation(document, structuredClone(operation) as Operation, true, true);
    } catch (error) {
      const name = (error as { name?: string }).name ?? "";
      const message = lookUp(MESSAGES, name) ?? "The operation cannot be applied.";
      return new Problem(422, `${operation.path}: ${message}`, [
        { path: operation.path, message: `Operation ${i + 1} (${operation.op}): ${message}` },
      ]);
    }
  }
  return null;
}

const MESSAGES: Record<string, string> = {
  OPERATION_PATH_UNRESOLVABLE: "there is nothing at this path.",
  OPERATION_FROM_UNRESOLVABLE: "there is nothing at the path to take from.",
  OPERATION_PATH_CANNOT_ADD: "nothing can be added here, since what would hold it is missing.",
  TEST_OPERATION_FAILED: "the value is not the one that the test expects.",
};

/** The operations that make one document of another. */
export function differences(before: object, after: object): PatchOperation[] {
  return jsonPatch.compare(before, after) as PatchOperation[];
}
