import { Settings } from "./schema";

/** Settings as they were kept, in any form that they once had. */

interface Former {
  page?: { content?: { typing?: unknown } };
  box?: unknown;
}

/** Reads settings that were kept as text. Throws what the schema throws where they are none. */
export function readSettings(text: string): Settings {
  const kept: Former = JSON.parse(text);
  const typing = kept.page?.content?.typing;
  if (!Array.isArray(typing)) return Settings.parse(kept);
  // What comes while typing was once decided on the shop page, by kind.
  delete kept.page?.content?.typing;
  const settings = Settings.parse(kept);
  const { blocks } = settings.box.moments.typing;
  const kinds = { searches: "completions", categories: "categories", pages: "pages" } as const;
  for (const [kind, id] of Object.entries(kinds)) if (blocks[id] && !typing.includes(kind)) blocks[id].on = false;
  return settings;
}
