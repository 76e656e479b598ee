import type { Layout } from "@core/settings/page/layout";
import type { CSSProperties, ReactNode } from "react";

/** How a list of cards is laid out: the class that does it, with the numbers it goes by. */
export function gridOf({ as, columns, pictures }: Layout): { className: string; style: CSSProperties } {
  if (as === "list") return { className: "shelf-list", style: {} };
  const heights = Object.entries(pictures).flatMap(([device, height]) => (height === null ? [] : [[`--picture-${device}`, `${height}px`]]));
  return {
    className: "shelf-grid",
    style: Object.fromEntries([...Object.entries(columns).map(([device, n]) => [`--columns-${device}`, n]), ...heights]),
  };
}

/** Something other than a product that takes a space among the hits. */
export interface Inset {
  /** Hits before it. */
  at: number;
  content: ReactNode;
}

/** Puts an inset among the hits drawn. */
export function withInset(hits: readonly ReactNode[], inset: Inset | null, wrap: (content: ReactNode) => ReactNode): ReactNode[] {
  return inset && inset.at <= hits.length ? hits.toSpliced(inset.at, 0, wrap(inset.content)) : [...hits];
}
