import { removedButUsed } from "@core/insights/catalogue/removed-uses";
import { lookUp } from "@core/records";
import { pathsOf } from "@core/settings/overlaps";
import { keysOf, type PatchOperation, pointerTo } from "@core/settings/patch";
import { withPresentKinds } from "@core/settings/present-patch";
import { Settings } from "@core/settings/schema";
import { problemOfSelections } from "@core/settings/selection-levels";
import jsonPatch, { type Operation } from "fast-json-patch";
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
  const touched = touchedParts(patch);
  const next: Record<string, unknown> = { ...settings };
  for (const part of touched) next[part] = structuredClone(settings[part]);
  const failed = applyTo(next, patch);
  if (failed) throw failed;
  const result = { ...settings } as Record<string, unknown>;
  const errors: { path: string; message: string }[] = [];
  for (const part of touched) {
    const parsed = Settings.shape[part].safeParse(next[part]);
    if (parsed.success) result[part] = keepUntouched(part, settings[part], parsed.data, patch);
    else errors.push(...describeIssues(parsed.error, `/${part}`));
  }
  if (touched.includes("selections") && errors.length === 0) {
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
  const before = Object.fromEntries(touched.map((part) => [part, settings[part]]));
  const after = Object.fromEntries(touched.map((part) => [part, result[part]]));
  // The patch is written down as it came out after validation, with its defaults.
  return { settings: result as Settings, patch: differences(before, after), inverse: differences(after, before) };
}

/** Entries that no operation touched stay the same objects, so that what was prepared from them is found again. */
function keepUntouched(part: Part, before: object, after: object, patch: readonly PatchOperation[]): object {
  const touched = new Set<string>();
  for (const path of patch.flatMap(pathsOf)) {
    const [root, key] = keysOf(path);
    if (root !== part) continue;
    if (key === undefined) return after;
    touched.add(key);
  }
  const old = before as Record<string, unknown>;
  return Object.fromEntries(
    Object.entries(after).map(([key, value]) => [key, !touched.has(key) && Object.hasOwn(old, key) ? lookUp(old, key) : value]),
  );
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

function applyTo(document: Record<string, unknown>, patch: readonly PatchOperation[]): Problem | null {
  for (const [i, operation] of patch.entries()) {
    try {
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
