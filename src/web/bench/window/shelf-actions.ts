import { lookUp } from "@core/records";
import type { Settings, Shelf } from "@core/settings/schema";
import {
  changeShelf,
  excluded,
  hideEverywhere,
  pinned,
  readmitted,
  setStrength,
  shelfFor,
  strengthened,
  type Target,
  unpinned,
} from "@core/shelves/edit";
import type { Stem } from "@core/text/stem";
import { tokenise } from "@core/text/tokens";
import { sayError } from "@ui/http";
import { toast } from "@ui/toast";
import { useBench, useOpen } from "../state/bench";
import { useWindow, useWindowParts } from "../state/window";
import { loadStem, useStem } from "./stems";

/** What can be done to a product in the search being tried; makes its shelf where there is none. */

const STEP = 1.5;

/** The search or category that is being arranged: what was searched after correction, else what was typed. */
function targetOf({ address, draft }: Pick<ReturnType<typeof useWindow.getState>, "address" | "draft">): Target {
  return { search: (draft?.query.searched || address.query).trim(), category: address.category };
}

/** The shelf that is for exactly a search or category, null without one. @param acting the one that acts there. */
export function shelfOf(settings: Settings, target: Target, stem: Stem, acting: string | null): string | null {
  return shelfFor(
    settings,
    target,
    (text) =>
      tokenise(text)
        .map((token) => stem(token.surface))
        .join(" "),
    acting,
  );
}

/** Changes the shelf of the search being tried, or another one by its id; makes it where there is none. @returns whether it was taken. */
export async function changeHere(how: (shelf: Shelf) => Shelf, id: string | null = null): Promise<boolean> {
  const ready = await openWithStem();
  if (!ready) return false;
  const { settings, store, stem, edit } = ready;
  const state = useWindow.getState();
  const target = targetOf(state);
  const acting = state.draft?.shelf?.id ?? null;
  const own = id ?? shelfOf(settings, target, stem, acting);
  const start = acting !== null && own === null ? (lookUp(settings.shelves, acting) ?? null) : null;
  if (start)
    toast(`${sayFor(target)} has a shelf of its own now. It began as “${start.name}”, which was active here.`, { action: undoAction });
  const resting = state.draft?.shelvesResting?.find((entry) => entry.id === own);
  if (resting) toast(`Changed in “${resting.name}”, which is not active here now: the window shows it when it is.`, { action: undoAction });
  return edit(changeShelf(settings, target, own, how, { start, timeZone: store.timeZone }));
}

/** Changes the shelf of a search, wherever one is; makes it where there is none. @returns whether it was taken. */
export async function changeFor(search: string, how: (shelf: Shelf) => Shelf, id: string | null = null): Promise<boolean> {
  const ready = await openWithStem();
  if (!ready) return false;
  const { settings, store, stem, edit } = ready;
  const target = { search, category: null };
  return edit(changeShelf(settings, target, id ?? shelfOf(settings, target, stem, null), how, { timeZone: store.timeZone }));
}

/** What is open, with the stems by which shelves are told apart; null where they do not come, which is said. */
async function openWithStem() {
  const locale = useBench.getState().open?.store.locale;
  if (!locale) return null;
  try {
    const stem = await loadStem(locale);
    // What was edited meanwhile is in it.
    const { open, edit } = useBench.getState();
    return open && { settings: open.settings, store: open.store, stem, edit };
  } catch (error) {
    toast.error(sayError(error, "This needs a file that did not come. Load the page again."));
    return null;
  }
}

const sayFor = ({ search, category }: Target) => (search ? `“${search}”` : ((category ?? []).at(-1) ?? "Everything"));

const undoAction = { label: "Undo", onClick: () => void useBench.getState().undo() };

export const shelfActions = {
  pin: (product: string, place: number) => changeHere((shelf) => pinned(shelf, product, place)),
  unpin: (product: string) => changeHere((shelf) => unpinned(shelf, product)),
  raise: (product: string) => changeHere((shelf) => strengthened(shelf, product, STEP)),
  lower: (product: string) => changeHere((shelf) => strengthened(shelf, product, 1 / STEP)),
  clearStrength: (product: string) => changeHere((shelf) => setStrength(shelf, product, 1)),
  exclude(product: string, title: string, shelf: string | null = null) {
    void changeHere((own) => excluded(own, product), shelf);
    toast(`${title} no longer shows ${sayTarget(targetOf(useWindow.getState()))}.`, { action: undoAction });
  },
  readmit: (product: string) => changeHere((shelf) => readmitted(shelf, product)),
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
  const stem = useStem(store.locale);
  const parts = useWindowParts("address", "draft");
  const target = targetOf(parts);
  const id = shelfOf(settings, target, stem, parts.draft?.shelf?.id ?? null);
  return { target, shelf: id === null ? null : { ...lookUp(settings.shelves, id), id } };
}
