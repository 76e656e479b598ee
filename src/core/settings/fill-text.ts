/** Texts with fields of a product in braces. */

const FIELD_IN_TEXT = /\{([^{}]+)\}/g;

/** Keys of the fields that a text names in braces. */
export function fieldsInText(text: string): string[] {
  return [...new Set([...text.matchAll(FIELD_IN_TEXT)].map((match) => match[1].trim()))];
}

/**
 * A text with its fields filled in; null when it is not there because of what the product lacks.
 * @param say a field's value in words; undefined where it has none.
 */
export function fillText(text: string, hide: "any" | "all", say: (field: string) => string | undefined): string | null {
  const keys = fieldsInText(text);
  const values = new Map(keys.map((key) => [key, say(key)]));
  const missing = keys.filter((key) => values.get(key) === undefined).length;
  if (keys.length === 0 || missing === keys.length || (hide === "any" && missing > 0)) return null;
  return text
    .replace(FIELD_IN_TEXT, (_whole, key: string) => values.get(key.trim()) ?? "")
    .replace(/\s{2,}/g, " ")
    .trim();
}
