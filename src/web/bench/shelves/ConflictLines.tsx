import type { Conflict } from "@core/shelves/conflicts/conflict";
import { TriangleAlert } from "lucide-react";
import { useProducts } from "../pieces/useProducts";
import { useOpen } from "../state/bench";
import { nameOfRule, sayConflict } from "./conflicts";

/** What is at odds, a line each. */
export function ConflictLines({ conflicts }: { conflicts: readonly Conflict[] }) {
  const { settings } = useOpen("settings");
  const products = useProducts(conflicts.flatMap((entry) => entry.products.slice(0, 2)));
  if (conflicts.length === 0) return null;
  return (
    <ul className="text-[13px]" aria-label="At odds">
      {conflicts.map((entry) => (
        <li key={JSON.stringify([entry.kind, entry.rule, entry.other, entry.about])} className="flex items-start gap-1.5 py-0.5 text-loss">
          <TriangleAlert className="mt-[3px] size-3.5 shrink-0" aria-hidden />
          {sayConflict(entry, {
            rule: nameOfRule(settings, entry.rule),
            other: entry.other ? nameOfRule(settings, entry.other) : "",
            product: (id) => products.get(id)?.title ?? id,
          })}
        </li>
      ))}
    </ul>
  );
}
