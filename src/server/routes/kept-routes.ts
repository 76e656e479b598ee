/** Routes whose answers are the same for whoever asks the same, as long as nothing changes. */
const KEPT = new Set(["POST /shop/{store}/search", "POST /shop/{store}/suggest"]);

export const isKept = (name: string): boolean => KEPT.has(name);
