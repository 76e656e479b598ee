import { readSettings } from "@core/settings/read";
import type { Settings } from "@core/settings/schema";
import { z } from "zod";
import { describeIssues } from "../http/serve";

const MOST_SAID = 3;

/** Settings that were kept, or in words why they cannot be read. */
export function readKept(text: string): { settings: Settings } | { why: string } {
  try {
    return { settings: readSettings(text) };
  } catch (error) {
    return { why: whyOf(error) };
  }
}

function whyOf(error: unknown): string {
  if (error instanceof RangeError) return "It is nested too deeply.";
  if (error instanceof SyntaxError) return "It is damaged.";
  if (!(error instanceof z.ZodError)) return "It cannot be read.";
  const said = describeIssues(error).slice(0, MOST_SAID);
  return said.map(({ path, message }) => `${path}: ${message}`).join(" ");
}
