import type { Settings } from "@core/settings/schema";

let safeCss: ((css: string) => { css: string }) | null = null;

/** Own rules that the server has made safe already. */
const known = new Map<string, string>();

/** Tells what the server has made of own rules. */
export function knowRules(css: string, safe: string): void {
  known.set(css, safe);
}

/** Whether settings have own rules that cannot be read yet. */
export const lacksOwnRules = (...all: Settings[]): boolean =>
  safeCss === null && all.some(({ page: { theme } }) => theme.css !== "" && !known.has(theme.css));

/** Loads what reads own rules: a parser of CSS that most shops never need. */
export async function loadOwnRules(): Promise<void> {
  ({ safeCss } = await import("@core/storefront/own-css"));
}

/** Own rules made safe; none before they can be read. */
export const safeRules = (css: string): string => safeCss?.(css).css ?? known.get(css) ?? "";
