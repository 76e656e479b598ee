import type { Settings } from "../settings/schema";

const memory = new WeakMap<Settings, number[]>();

/** The next moment at which a rule begins or ends, as an ISO date; null when nothing is planned. */
export function nextChange(settings: Settings, at: number): string | null {
  let moments = memory.get(settings);
  if (!moments) {
    const rules = [settings.boosts, settings.hides, settings.shelves, settings.deadEnd.answers].flatMap((collection) =>
      Object.values(collection),
    );
    moments = rules
      .filter((rule) => rule.on)
      .flatMap((rule) => [rule.from, rule.until])
      .flatMap((moment) => (moment === null ? [] : [Date.parse(moment)]))
      .sort((a, b) => a - b);
    memory.set(settings, moments);
  }
  const next = moments.find((moment) => moment > at);
  return next === undefined ? null : new Date(next).toISOString();
}
