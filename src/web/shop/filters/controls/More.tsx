import type { FilterValue } from "@core/search/request";
import { USUAL_FIRST } from "@core/settings/usual-first";
import { count } from "@ui/format";
import { type ReactNode, useState } from "react";
import { useTexts } from "../../texts";

/** The first values of a list, those that are chosen, and the rest on demand. */
export function useFirst(values: readonly FilterValue[], first: number = USUAL_FIRST): { shown: FilterValue[]; more: ReactNode } {
  const t = useTexts();
  const [isOpen, setOpen] = useState(false);
  const shown = values.filter((value, i) => isOpen || i < first || value.selected);
  const rest = values.length - Math.min(first, values.length);
  const more = rest > 0 && (
    <button type="button" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)} className="mt-0.5 t-s font-semibold text-press">
      {isOpen ? t("filters.fewer") : t("filters.more", { n: rest })}
    </button>
  );
  return { shown, more };
}

/** How many products a value leaves. */
export function Count({ value, isShown }: { value: FilterValue; isShown: boolean }) {
  return isShown ? <span className="ml-auto pl-1 text-soft tabular-nums">{count(value.count)}</span> : null;
}

/** Whether a value can be chosen: one that would leave nothing can only be taken out. */
export const isDead = (value: FilterValue) => value.count === 0 && !value.selected;
