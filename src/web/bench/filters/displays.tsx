import type { FilterDisplay } from "@core/settings/filter";

export const DISPLAY_NAMES: Record<FilterDisplay, string> = {
  ticks: "Tick list",
  choose: "One at a time",
  swatches: "Swatches",
  buttons: "Buttons",
  slider: "Slider",
  histogram: "Bars",
  "yes-no": "Yes or no",
};

const DRAWINGS: Record<FilterDisplay, React.ReactNode> = {
  ticks: <path d="M2 3h4v4H2zM2 10h4v4H2zM9 5h11M9 12h8" />,
  choose: <path d="M4 3a2 2 0 1 0 .01 0M4 10a2 2 0 1 0 .01 0M9 5h11M9 12h8" />,
  swatches: <path d="M5 4.500a3.500 3.500 0 1 0 .01 0M14 4.500a3.500 3.500 0 1 0 .01 0M19 12h3" />,
  buttons: <path d="M2 4h8v8H2zM13 4h8v8h-8z" />,
  slider: <path d="M2 8h20M7 5v6M17 5v6" />,
  histogram: <path d="M3 10V7M7 10V3M11 10V5M15 10V8M19 10V9M2 13h20" />,
  "yes-no": <path d="M3 4h8v8H3zM5 8l2 2 4-5M15 8h6" />,
};

/** A small drawing of a control. */
export function DisplayDrawing({ display }: { display: FilterDisplay }) {
  return (
    <svg viewBox="0 0 24 16" className="h-4 w-6 shrink-0 fill-none stroke-current" strokeWidth="1.4" aria-hidden>
      {DRAWINGS[display]}
    </svg>
  );
}
