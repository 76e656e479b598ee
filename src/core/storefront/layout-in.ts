import type { Layout, LayoutOfCategory } from "../settings/page/layout";

/** The layout in a category: what the whole shop has, with what is said on the way down to it laid over. */
export function layoutIn(layout: Layout, except: readonly LayoutOfCategory[], category: readonly string[] | null): Layout {
  if (!category) return layout;
  return except
    .filter(({ path }) => path.every((label, i) => category[i] === label))
    .sort((a, b) => a.path.length - b.path.length)
    .reduce((all, { layout: own }) => Object.assign(all, own), { ...layout });
}
