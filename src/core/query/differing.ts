const LONGEST = 3;

/** What is in one query and not in the other, when they share their other words; null when they share none of it or all. */
export function differing(a: readonly string[], b: readonly string[]): [string, string] | null {
  let start = 0;
  while (start < a.length && start < b.length && a[start] === b[start]) start++;
  let end = 0;
  while (end < a.length - start && end < b.length - start && a[a.length - 1 - end] === b[b.length - 1 - end]) end++;
  const [left, right] = [a.slice(start, a.length - end), b.slice(start, b.length - end)];
  if (left.length === 0 || right.length === 0 || left.length > LONGEST || right.length > LONGEST) return null;
  return [left.join(" "), right.join(" ")];
}
