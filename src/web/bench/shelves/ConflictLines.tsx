import type { Conflict, RuleName } from "@core/insights/conflicts/conflict";
import { Button } from "@ui/Button";
import { TriangleAlert } from "lucide-react";
import { useProducts } from "../pieces/useProducts";
import { useOpen } from "../state/bench";
import { nameOfRule, sayConflict } from "./conflicts";

/** Conflicts, a line each. */
export function ConflictLines({ conflicts, onOpen }: { conflicts: readonly Conflict[]; onOpen?: (rule: RuleName) => void }) {
  const { settings } = useOpen("settings");
  const products = useProducts(conflicts.flatMap((entry) => entry.products.slice(0, 2)));
  if (conflicts.length === 0) return null;
  return (
    <ul className="text-[13px]" aria-label="Conflicts">
      {conflicts.map((entry) => (
        <li key={JSON.stringify([entry.kind, entry.rule, entry.other, entry.about])} className="flex items-start gap-1.5 py-0.5 text-loss">
          <TriangleAlert className="mt-[3px] size-3.5 shrink-0" aria-hidden />
          <span className="flex-1">
            {sayConflict(entry, {
              rule: nameOfRule(settings, entry.rule),
              other: entry.other ? nameOfRule(settings, entry.other) : "",
              product: (id) => products.get(id)?.title ?? id,
            })}
          </span>
          {onOpen && (
            <Button look="bare" className="!h-5 !px-0 !text-press" onClick={() => onOpen(entry.rule)}>
              Open
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}
