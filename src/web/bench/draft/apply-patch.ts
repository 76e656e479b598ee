import { lookUp, setOwn } from "@core/records";
import { keysOf, type PatchOperation, pointerTo } from "@core/settings/patch";
import type { Settings } from "@core/settings/schema";
import jsonPatch, { type Operation as JsonOperation } from "fast-json-patch";

/**
 * The settings with a patch applied; whatever the patch does not touch stays the same object, so that nothing is drawn anew in vain.
 * @throws where the patch does not fit the settings.
 */
export function applyPatch(settings: Settings, patch: readonly PatchOperation[]): Settings {
  const next = { ...settings };
  const copied = new Set<string>();
  for (const operation of patch) {
    if ("from" in operation) copyAlong(next, operation.from, copied);
    copyAlong(next, operation.path, copied);
    jsonPatch.applyOperation(next, structuredClone(operation) as JsonOperation, true);
  }
  return next;
}

/** Replaces every object on the way to a path by a copy, each once. */
function copyAlong(document: object, path: string, copied: Set<string>): void {
  let holder = document as Record<string, unknown>;
  const way: string[] = [];
  for (const key of keysOf(path).slice(0, -1)) {
    const inner = lookUp(holder, key);
    if (typeof inner !== "object" || inner === null) return;
    way.push(key);
    const place = pointerTo(way);
    if (!copied.has(place)) {
      copied.add(place);
      setOwn(holder, key, Array.isArray(inner) ? [...inner] : { ...inner });
    }
    holder = lookUp(holder, key) as Record<string, unknown>;
  }
}
