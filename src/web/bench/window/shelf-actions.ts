import type { Settings, Shelf } from "@core/settings/schema";
import {
  changeShelf,
  excluded,
  hideEverywhere,
  pinned,
  readmitted,
  shelfFor,
  strengthened,
  type Target,
  unpinned,
} from "@core/shelves/edit";
import { stemmerOf } from "@core/text/stem";
import { tokenise } from "@core/text/tokens";
import { toast } from "sonner";
import { useBench, useOpen } from "../state/bench";
import { useWindow, useWindowParts } from "../state/window";

/** What can be done to a product in the search being tried; makes its shelf where there is none. */

const STEP = 1.5;

/** The search or category that is being arranged: what was searched after correction, else what was typed. */
function targetOf({ address, draft }: Pick<ReturnType<typeof useWindow.getState>, "address" | "draft">): Target {
  return { search: (draft?.query.searched || address.query).trim(), category: address.category };
}

function shelfOf(settings: Settings, target: Target, locale: string): string | null {
  const stem = stemmerOf(locale);
  return shelfFor(settings, target, (text) =>
    tokenise(text)
      .map((token) => stem(token.surface))
      .join(" "),
  );
}

function change(how: (shelf: Shelf) => Shelf): void {
  const { open, edit } = useBench.getState();
  if (!open) return;
  const target = targetOf(useWindow.getState());
  void edit(changeShelf(open.settings, target, shelfOf(open.settings, target, open.store.locale), how));
}

const undoAction = { label: "Undo", onClick: () => void useBench.getState().undo() };

export const shelfActions = {
  pin: (product: string, place: number) => change((shelf) => pinned(shelf, product, place)),
  unpin: (product: string) => change((shelf) => unpinned(shelf, product)),
  raise: (product: string) => change((shelf) => strengthened(shelf, product, STEP)),
  lower: (product: string) => change((shelf) => strengthened(shelf, product, 1 / STEP)),
  clearStrength: (product: string) =>
    change((shelf) => {
      const { [product]: _gone, ...strength } = shelf.strength;
      return { ...shelf, strength };
    }),
  exclude(product: string, title: string) {
    change((shelf) => excluded(shelf, product));
    toast(`${title} no longer shows ${sayTarget(targetOf(useWindow.getState()))}.`, { action: undoAction });
  },
  readmit: (product: string) => change((shelf) => readmitted(shelf, product)),
  hide(product: string, title: string) {
    const { open, edit } = useBench.getState();
    if (!open) return;
    void edit(hideEverywhere(open.settings, product, title));
    toast(`${title} is hidden everywhere. Its own page stays.`, { action: undoAction });
  },
};

export function sayTarget(target: Target): string {
  return target.search ? `for “${target.search}”` : "in this category";
}

/** What is being arranged, and its shelf when it has one. */
export function useShelfTarget(): { target: Target; shelf: (Shelf & { id: string }) | null } {
  const { settings, store } = useOpen("settings", "store");
  const target = targetOf(useWindowParts("address", "draft"));
  const id = shelfOf(settings, target, store.locale);
  return { target, shelf: id === null ? null : { ...settings.shelves[id], id } };
}
