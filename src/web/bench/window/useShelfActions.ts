import type { Shelf } from "@core/settings/schema";
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
import { useWindow } from "../state/window";

const STEP = 1.5;

/** What can be done to a product in the search being tried; makes its shelf where there is none. */
export function useShelfActions() {
  const { settings, store } = useOpen();
  const { edit, undo } = useBench();
  const { address, draft } = useWindow();
  const stem = stemmerOf(store.locale);
  const stemsOf = (text: string) =>
    tokenise(text)
      .map((token) => stem(token.surface))
      .join(" ");
  const target: Target = { search: (draft?.query.searched || address.query).trim(), category: address.category };
  const id = shelfFor(settings, target, stemsOf);
  const change = (how: (shelf: Shelf) => Shelf) => void edit(changeShelf(settings, target, id, how));
  return {
    target,
    shelf: id === null ? null : { id, ...settings.shelves[id] },
    pin: (product: string, place: number) => change((shelf) => pinned(shelf, product, place)),
    unpin: (product: string) => change((shelf) => unpinned(shelf, product)),
    raise: (product: string) => change((shelf) => strengthened(shelf, product, STEP)),
    lower: (product: string) => change((shelf) => strengthened(shelf, product, 1 / STEP)),
    setStrength: (product: string, factor: number) =>
      change((shelf) => strengthened({ ...shelf, strength: { ...shelf.strength, [product]: 1 } }, product, factor)),
    exclude: (product: string, title: string) => {
      change((shelf) => excluded(shelf, product));
      toast(`${title} no longer shows for “${target.search || target.category?.at(-1)}”.`, {
        action: { label: "Undo", onClick: () => void undo() },
      });
    },
    readmit: (product: string) => change((shelf) => readmitted(shelf, product)),
    hide: (product: string, title: string) => {
      void edit(hideEverywhere(settings, product, title));
      toast(`${title} is hidden everywhere. Its own page stays.`, { action: { label: "Undo", onClick: () => void undo() } });
    },
  };
}
