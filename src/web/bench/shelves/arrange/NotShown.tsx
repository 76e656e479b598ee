import { lookUp } from "@core/records";
import type { Why } from "@core/search/request";
import type { Shelf } from "@core/settings/shelf";
import { notBrought, readmitted, setStrength, unpinned } from "@core/shelves/edit";
import { Button } from "@ui/Button";
import { toRequest } from "../../../shop/address";
import { useFact } from "../../ask/useAsk";
import { Section } from "../../frame/Screen";
import { useProducts } from "../../pieces/useProducts";
import { sayPercent } from "../../ranking/boosts/strength";
import { shopState, useBench, useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";
import { sayWhy } from "../../window/say-why";
import { sayFacts } from "./Space";

interface Props {
  shelf: Shelf;
  /** The products in sight. */
  shown: readonly { id: string }[];
  onChange: (how: (shelf: Shelf) => Shelf) => void;
}

/** What the shelf names and is not in sight: raised or lowered elsewhere, excluded by it, or hidden, gone or closed up where it was pinned. */
export function NotShown({ shelf, shown, onChange }: Props) {
  const { settings, front } = useOpen("settings", "front");
  const pinnedIds = [...Object.keys(shelf.pins), ...Object.values(shelf.pinGroups).flatMap(({ products }) => products), ...shelf.add];
  const reasons = useReasons(pinnedIds);
  const missing = [...new Set(pinnedIds)].filter((id) => lookUp(reasons, id) && "reason" in lookUp(reasons, id));
  const away = Object.entries(shelf.strength).filter(([id]) => !shown.some((hit) => hit.id === id));
  const products = useProducts([...missing, ...shelf.exclude, ...away.map(([id]) => id)]);
  if (missing.length + shelf.exclude.length + away.length === 0) return null;
  return (
    <Section title="Not in sight">
      <ul className="border-t border-rule">
        {missing.map((id) => (
          <Row key={`m${id}`} title={products.get(id)?.title ?? id} note={sayWhy(lookUp(reasons, id), settings, front)} isBad>
            <Button
              aria-label={`Remove ${products.get(id)?.title ?? id} from the shelf`}
              onClick={() => onChange((own) => notBrought(unpinned(own, id), id))}
            >
              Remove it
            </Button>
          </Row>
        ))}
        {away.map(([id, factor]) => (
          <Row
            key={`s${id}`}
            title={products.get(id)?.title ?? id}
            note={`${sayPercent(factor)} · ${products.get(id)?.isGone ? "no longer in the catalogue" : "not in sight here"}`}
          >
            <Button
              aria-label={`No longer raise or lower ${products.get(id)?.title ?? id}`}
              onClick={() => onChange((own) => setStrength(own, id, 1))}
            >
              As it was
            </Button>
          </Row>
        ))}
        {shelf.exclude.map((id) => (
          <Row
            key={`x${id}`}
            title={products.get(id)?.title ?? id}
            note={products.get(id)?.isGone ? "excluded · no longer in the catalogue" : `excluded · ${sayFacts(products.get(id))}`}
          >
            <Button aria-label={`Let ${products.get(id)?.title ?? id} back in`} onClick={() => onChange((own) => readmitted(own, id))}>
              Show it again
            </Button>
          </Row>
        ))}
      </ul>
    </Section>
  );
}

function Row({ title, note, isBad, children }: { title: string; note: string; isBad?: boolean; children: React.ReactNode }) {
  return (
    <li className="flex min-h-9 items-center gap-3 border-b border-rule py-1 text-[13px]">
      <div className="min-w-0 flex-1">
        <p className="truncate font-semibold">{title}</p>
        <p className={`truncate text-[12px]/4 ${isBad ? "text-loss" : "text-soft"}`}>{note}</p>
      </div>
      {children}
    </li>
  );
}

/** Where each of some products is in the search being tried, or why it does not. */
function useReasons(ids: readonly string[]): Record<string, Why> {
  const { open } = useBench.getState();
  const { address, at } = useWindowParts("address", "at");
  const why = ids.slice(0, MOST_EXPLAINED);
  const body =
    why.length > 0 && open ? { ...toRequest(address, [], shopState(open).draft), at, limit: 0, source: "draft" as const, why } : null;
  return useFact("POST /api/stores/{store}/search", body && { body })?.why ?? NONE;
}

const MOST_EXPLAINED = 50;
const NONE: Record<string, Why> = {};
