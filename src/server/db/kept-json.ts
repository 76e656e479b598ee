/**
 * JSON of a row. A damaged one is as one that was never written: it stops neither its store nor any other.
 * @param otherwise what then stands in its place; what is read is a list or an object as this is.
 */
export function readKeptJson<T extends object>(text: string | null, otherwise: T): T {
  try {
    const read: unknown = JSON.parse(text ?? "");
    const isAlike = typeof read === "object" && read !== null && Array.isArray(read) === Array.isArray(otherwise);
    return isAlike ? (read as T) : otherwise;
  } catch {
    return otherwise;
  }
}
