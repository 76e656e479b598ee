import type { SearchAnswer } from "@contract/search";
import type { Layout } from "@core/settings/page/layout";
import { LayoutGrid, Rows3 } from "lucide-react";
import { useTexts } from "../texts";

const FIELD = "t-s h-8 rounded-shop border border-rule bg-paper px-1 text-ink";

export function SortChoice({ answer, first, onChange }: { answer: SearchAnswer; first: string; onChange: (sort: string) => void }) {
  const t = useTexts();
  if (answer.sorts.length < 2) return null;
  return (
    <select
      part="sort"
      aria-label={t("results.sort")}
      value={answer.sorts.find((sort) => sort.selected)?.id ?? first}
      onChange={(event) => onChange(event.target.value === first ? "" : event.target.value)}
      className={FIELD}
    >
      {answer.sorts.map((sort) => (
        <option key={sort.id} value={sort.id}>
          {sort.id === "best" ? t("results.best") : sort.label}
        </option>
      ))}
    </select>
  );
}

/** Between grid and list, where shoppers may change it. */
export function ViewChoice({ layout, onChange }: { layout: Layout; onChange: (as: Layout["as"]) => void }) {
  const t = useTexts();
  if (!layout.mayChange) return null;
  const views = [
    { as: "grid", name: t("results.grid"), Icon: LayoutGrid },
    { as: "list", name: t("results.list"), Icon: Rows3 },
  ] as const;
  return (
    <span role="group" aria-label={t("results.view")} className="flex">
      {views.map(({ as, name, Icon }) => (
        <button
          key={as}
          type="button"
          part="view-button"
          aria-label={name}
          aria-pressed={layout.as === as}
          onClick={() => onChange(as)}
          className="flex size-8 items-center justify-center border border-rule text-soft first:rounded-l-shop last:-ml-px last:rounded-r-shop aria-pressed:bg-press-soft aria-pressed:text-press"
        >
          <Icon className="size-4" aria-hidden />
        </button>
      ))}
    </span>
  );
}

/** How many at once, where shoppers may say. */
export function PerPage({ layout, onChange }: { layout: Layout; onChange: (perPage: number) => void }) {
  const t = useTexts();
  const choices = [...new Set([...layout.perPageChoices, layout.perPage])].sort((a, b) => a - b);
  if (choices.length < 2) return null;
  return (
    <select
      part="per-page"
      aria-label={t("results.per-page")}
      value={layout.perPage}
      onChange={(event) => onChange(Number(event.target.value))}
      className={FIELD}
    >
      {choices.map((n) => (
        <option key={n} value={n}>
          {n}
        </option>
      ))}
    </select>
  );
}
