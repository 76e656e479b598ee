import type { ProductSheet } from "@contract/products";
import { brought, notBrought, pinned, unpinned } from "@core/shelves/edit";
import { Button, IconButton } from "@ui/Button";
import { TextLine } from "@ui/controls";
import { X } from "lucide-react";
import { Section } from "../../frame/Screen";
import { useWindow } from "../../state/window";
import { changeFor } from "../../window/shelf-actions";

/** The searches for which a product should appear, and whether it does. */
export function MeantSearches({ product, title, meant }: { product: string; title: string; meant: ProductSheet["meant"] }) {
  return (
    <Section title="Meant to appear in">
      <ul className="border-t border-rule text-[13px]">
        {meant.map((entry) => (
          <li key={entry.search + entry.shelfId} className="flex min-h-9 items-center gap-3 border-b border-rule">
            <button type="button" className="font-semibold hover:text-press" onClick={() => useWindow.getState().try(entry.search)}>
              {entry.search}
            </button>
            <span className="min-w-0 flex-1 truncate text-soft">
              {entry.pin === null ? "added" : `pinned at ${entry.pin}`} on the shelf “{entry.shelf}”
            </span>
            <span className={entry.position === null ? "font-semibold text-loss" : ""}>
              {entry.position === null ? `missing: ${entry.reason?.replace(/-/g, " ")}` : `place ${entry.position}`}
            </span>
            {entry.pin === null && (
              <Button
                aria-label={`Pin ${title} first for ${entry.search}`}
                onClick={() => void changeFor(entry.search, (shelf) => pinned(shelf, product, 1), entry.shelfId)}
              >
                Pin first
              </Button>
            )}
            <IconButton
              label={`No longer for ${entry.search}`}
              onClick={() => void changeFor(entry.search, (shelf) => notBrought(unpinned(shelf, product), product), entry.shelfId)}
            >
              <X className="size-4" />
            </IconButton>
          </li>
        ))}
      </ul>
      <TextLine
        key={meant.length}
        label="Search for which it should appear"
        value=""
        placeholder={meant.length === 0 ? "A search for which it should appear" : "Another search"}
        onCommit={(text) => {
          if (text.trim() === "") return;
          void changeFor(text.trim(), (shelf) => brought(shelf, [product]));
          useWindow.getState().try(text.trim());
        }}
        className="mt-1.5 w-full"
      />
    </Section>
  );
}
