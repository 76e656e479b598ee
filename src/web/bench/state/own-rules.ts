import type { Settings } from "@core/settings/schema";

let safeCss: ((css: string) => { css: string }) | null = null;

/** Whether settings have own rules that cannot be read yet. */
export const lacksOwnRules = (...all: Settings[]): boolean => safeCss === null && all.some(({ page }) => page.theme.css !== "");

/** Loads what reads own rules: a parser of CSS that most shops never need. */
export async function loadOwnRules(): Promise<void> {
  ({ safeCss } = await import("@core/storefront/own-css"));
}

/** Own rules made safe; none before they can be read. */
export const safeRules = (css: string): string => safeCss?.(css).css ?? "";
