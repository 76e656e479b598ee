import type { Change } from "@core/settings/changes";
import type { Settings } from "@core/settings/schema";
import { type ComponentType, lazy } from "react";

export interface Area {
  path: string;
  name: string;
  /** Parts of the settings that are decided here; their changes are counted beside the name. */
  parts: (keyof Settings)[];
  Screen: ComponentType;
}

/** The areas in the order of the work, grouped by its stages. */
export const STAGES: { name: string; areas: Area[] }[] = [
  {
    name: "Match",
    areas: [
      { path: "attributes", name: "Attributes", parts: ["attributes", "misspelling"], Screen: lazy(() => import("../attributes/Attributes")) },
      { path: "words", name: "Words", parts: ["words"], Screen: lazy(() => import("../words/Words")) },
    ],
  },
  { name: "Order", areas: [{ path: "shelves", name: "Shelves", parts: ["shelves", "hides", "boosts"], Screen: lazy(() => import("../shelves/Shelves")) }] },
  { name: "Narrow", areas: [{ path: "filters", name: "Filters", parts: ["filters"], Screen: lazy(() => import("../filters/Filters")) }] },
  { name: "Greet", areas: [{ path: "dead-ends", name: "Dead ends", parts: ["deadEnd"], Screen: lazy(() => import("../dead-ends/DeadEnds")) }] },
  { name: "Release", areas: [{ path: "releases", name: "Releases", parts: [], Screen: lazy(() => import("../releases/Releases")) }] },
];

export const AREAS = STAGES.flatMap((stage) => stage.areas);

export function changesIn(area: Area, changes: readonly Change[]): number {
  return changes.filter((change) => area.parts.includes(change.part)).length;
}
