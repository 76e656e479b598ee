import type { ReactNode } from "react";

/** A text with what matched in bold. @param marks pairs of offsets, in order. */
export function Marked({ text, marks }: { text: string; marks: readonly (readonly [number, number])[] }) {
  const parts: ReactNode[] = [];
  let end = 0;
  for (const [from, to] of marks) {
    if (from < end) continue;
    parts.push(text.slice(end, from), <b key={from}>{text.slice(from, to)}</b>);
    end = to;
  }
  parts.push(text.slice(end));
  return <>{parts}</>;
}
