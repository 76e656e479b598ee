import type { Change } from "@core/insights/changes/changes";
import type { Settings } from "@core/settings/schema";

interface Area {
  path: string;
  name: string;
  /** Parts of the settings that are decided here; their changes are counted beside the name. */
  parts: (keyof Settings)[];
}

/** The areas in the order of the work, grouped by its stages. */
export const STAGES: { name: string; areas: Area[] }[] = [
  { name: "Look", areas: [{ path: "demand", name: "Demand", parts: [] }] },
  {
    name: "Import",
    areas: [{ path: "catalogue", name: "Catalogue", parts: ["products", "selections", "pages", "sentences"] }],
  },
  {
    name: "Search",
    areas: [
      {
        path: "attributes",
        name: "Attributes",
        parts: ["attributes"],
      },
      { path: "words", name: "Words", parts: ["words", "groups", "misspelling"] },
    ],
  },
  {
    name: "Order",
    areas: [
      { path: "ranking", name: "Ranking", parts: ["ranking", "boosts"] },
      { path: "shelves", name: "Shelves", parts: ["shelves", "hides", "related"] },
    ],
  },
  { name: "Filter", areas: [{ path: "filters", name: "Filters", parts: ["filters"] }] },
  {
    name: "Storefront",
    areas: [
      { path: "search-box", name: "Search box", parts: ["box"] },
      { path: "no-results", name: "No results", parts: ["deadEnd"] },
      { path: "shop-page", name: "Shop page", parts: ["page", "messages"] },
    ],
  },
  { name: "Release", areas: [{ path: "releases", name: "Releases", parts: [] }] },
];

export const AREAS = STAGES.flatMap((stage) => stage.areas);

export const changesIn = (area: Area, changes: readonly Change[]): Change[] => changes.filter(({ part }) => area.parts.includes(part));
