import { lookUp } from "@core/records";
import type { Settings } from "@core/settings/schema";

/**
 * Settings whose parts and entries are the same objects as those of others wherever they say the same: what was worked out of the one
 * holds for the other, and is found by identity.
 */
export function withSameParts(settings: Settings, others: Settings): Settings {
  const parts = Object.entries(settings).map(([part, value]) => [part, same(value, others[part as keyof Settings])]);
  return Object.fromEntries(parts) as Settings;
}

function same(value: object, other: object): object {
  if (value === other || JSON.stringify(value) === JSON.stringify(other)) return other;
  return Object.fromEntries(
    Object.entries(value).map(([key, entry]) => {
      const known = lookUp(other as Record<string, unknown>, key);
      return [key, known !== undefined && JSON.stringify(known) === JSON.stringify(entry) ? known : entry];
    }),
  );
}
