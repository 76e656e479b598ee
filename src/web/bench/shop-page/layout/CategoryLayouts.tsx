import type { Layout, LayoutOfCategory } from "@core/settings/page/layout";
import { layoutIn } from "@core/storefront/layout-in";
import { Button, IconButton } from "@ui/Button";
import { ChevronDown, Trash2 } from "lucide-react";
import { useState } from "react";
import { CategoryChoice, freeCategory } from "../../pieces/CategoryChoice";
import { useOpen } from "../../state/bench";
import { setPage } from "../edits";
import { LayoutForm } from "./LayoutForm";

/** Categories whose results are laid out in another way. Only what differs from above is kept, so that the rest follows. */
export function CategoryLayouts() {
  const { settings, front } = useOpen("settings", "front");
  const { layout, layouts } = settings.page;
  const [open, setOpen] = useState<number | null>(null);
  const free = freeCategory(
    front.categories,
    layouts.map(({ path }) => path),
  );
  const replace = (i: number, next: LayoutOfCategory) => setPage({ layouts: layouts.with(i, next) });
  return (
    <div className="border-t border-rule text-[13px]">
      {layouts.map(({ path, layout: own }, i) => {
        const name = path.join(" › ");
        const above = layoutIn(layout, layouts, path.slice(0, -1));
        return (
          <div key={name} className="border-b border-rule py-1.5">
            <div className="flex items-center gap-2">
              <CategoryChoice
                value={path}
                label={`Category ${i + 1}`}
                without={layouts.map((entry) => entry.path)}
                onChange={(next) => replace(i, { path: next, layout: own })}
              />
              <button
                type="button"
                aria-expanded={open === i}
                aria-label={`Layout of ${name}`}
                onClick={() => setOpen(open === i ? null : i)}
                className="flex min-w-0 flex-1 items-center gap-2 text-left text-soft"
              >
                <span className="min-w-0 flex-1 truncate">{sayOwn(own)}</span>
                <ChevronDown className={`size-4 ${open === i ? "rotate-180" : ""}`} aria-hidden />
              </button>
              <IconButton label={`Forget ${name}`} onClick={() => setPage({ layouts: layouts.toSpliced(i, 1) })}>
                <Trash2 className="size-3.5" />
              </IconButton>
            </div>
            {open === i && (
              <div className="mt-1.5">
                <LayoutForm
                  layout={{ ...above, ...own }}
                  label={name}
                  onChange={(part) => replace(i, { path, layout: onlyOther(above, { ...own, ...part }) })}
                />
              </div>
            )}
          </div>
        );
      })}
      {free && (
        <Button
          look="bare"
          className="!px-0"
          onClick={() => {
            setOpen(layouts.length);
            setPage({ layouts: [...layouts, { path: free, layout: {} }] });
          }}
        >
          + Category that differs
        </Button>
      )}
    </div>
  );
}

/** What of a layout is not as it is above. */
function onlyOther(above: Layout, own: Partial<Layout>): Partial<Layout> {
  const other = Object.entries(own).filter(([key, value]) => JSON.stringify(value) !== JSON.stringify(above[key as keyof Layout]));
  return Object.fromEntries(other);
}

function sayOwn(own: Partial<Layout>): string {
  const parts = [
    own.as && `as a ${own.as}`,
    own.columns && `${own.columns.phone}, ${own.columns.tablet}, ${own.columns.desktop} columns`,
    own.pictures && "other pictures",
    own.paging && { pages: "by pages", more: "by a button", endless: "as one scrolls" }[own.paging],
    own.perPage && `${own.perPage} per page`,
    own.perPageChoices && "other numbers to choose from",
    own.mayChange !== undefined && (own.mayChange ? "shoppers may change it" : "shoppers may not change it"),
  ].filter(Boolean);
  return parts.join("; ") || "nothing differs yet";
}
