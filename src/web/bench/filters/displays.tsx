import type { FilterDisplay } from "@core/settings/filter";
import type { ReactNode } from "react";

export const DISPLAY_NAMES: Record<FilterDisplay, string> = {
  ticks: "Checkbox list",
  choose: "One at a time",
  list: "List with a search",
  swatches: "Swatches",
  buttons: "Buttons",
  slider: "Slider",
  histogram: "Slider with bars",
  fields: "From – to",
  steps: "And more",
  "yes-no": "Yes or no",
  tree: "Tree",
};

const DRAWINGS: Record<FilterDisplay, ReactNode> = {
  ticks: <path d="M4 4h5v5H4zM4 13h5v5H4zM5.200 6.500l1.200 1.300 2-2.800M13 6.500h17M13 15.500h11" />,
  choose: <path d="M6.500 3.500a3 3 0 1 0 .01 0M6.500 12.500a3 3 0 1 0 .01 0M6.500 5.800a.7.7 0 1 0 .01 0M13 6.500h17M13 15.500h11" />,
  list: <path d="M4 3h26v5H4zM24.500 4.500a1 1 0 1 0 .01 0M4 12h3v3H4zM10 13.500h16M4 18h3v1H4zM10 18.500h12" />,
  swatches: (
    <path d="M7 3.500a3.500 3.500 0 1 0 .01 0M17 3.500a3.500 3.500 0 1 0 .01 0M27 3.500a3.500 3.500 0 1 0 .01 0M7 12.500a3.500 3.500 0 1 0 .01 0M17 12.500a3.500 3.500 0 1 0 .01 0" />
  ),
  buttons: <path d="M3 3h9v6H3zM15 3h7v6h-7zM25 3h6v6h-6zM3 13h7v6H3zM13 13h10v6H13z" />,
  slider: <path d="M3 11h28M10 7v8M24 7v8" />,
  histogram: <path d="M5 12V9M9 12V5M13 12V3M17 12V6M21 12V8M25 12V10M3 16h28M9 14v4M21 14v4" />,
  fields: <path d="M3 7h11v8H3zM20 7h11v8H20zM15.500 11h3" />,
  steps: <path d="M4 5h4M11 5h19M4 11h8M15 11h15M4 17h12M19 17h11M29 3l2 2-2 2" />,
  "yes-no": <path d="M4 6h9v9H4zM6 10.500l2.200 2.300 4-5.300M17 10.500h13" />,
  tree: <path d="M4 4h10M8 10h12M8 16h16M5 6v10h2M5 10h2" />,
};

/** A small drawing of a control. */
export function DisplayDrawing({ display, className = "h-[22px] w-[34px]" }: { display: FilterDisplay; className?: string }) {
  return (
    <svg viewBox="0 0 34 22" className={`shrink-0 fill-none stroke-current ${className}`} strokeWidth="1.4" aria-hidden>
      {DRAWINGS[display]}
    </svg>
  );
}
