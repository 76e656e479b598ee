import type { Layout } from "@core/settings/page/layout";
import type { CSSProperties } from "react";

/** How a list of cards is laid out: the class that does it, with the numbers it goes by. */
export function gridOf({ as, columns, pictures }: Layout): { className: string; style: CSSProperties } {
  if (as === "list") return { className: "shelf-list", style: {} };
  const heights = Object.entries(pictures).flatMap(([device, height]) => (height === null ? [] : [[`--picture-${device}`, `${height}px`]]));
  return {
    className: "shelf-grid",
    style: Object.fromEntries([...Object.entries(columns).map(([device, n]) => [`--columns-${device}`, n]), ...heights]),
  };
}
