import type { MissedOpportunity } from "@contract/recommendations";
import { Button } from "@ui/Button";
import { count } from "@ui/format";
import { useState } from "react";
import { ProductLine } from "../../pieces/ProductLine";
import { useProducts } from "../../pieces/useProducts";

const FIRST = 12;

/** Products that many see and that lead on to nothing. */
export function WorkList({ chances, onOpen }: { chances: readonly MissedOpportunity[]; onOpen: (id: string) => void }) {
  const [most, setMost] = useState(FIRST);
  const shown = chances.slice(0, most);
  const products = useProducts(shown.map(({ id }) => id));
  return (
    <>
      <ul className="border-t border-rule text-[13px]">
        {shown.map((chance) => (
          <ProductLine
            key={chance.id}
            id={chance.id}
            product={products.get(chance.id)}
            note={`seen ${count(chance.seen)} ×, bought ${count(chance.orders)} · ${sayChance(chance)}`}
          >
            <Button onClick={() => onOpen(chance.id)} aria-label={`Open ${products.get(chance.id)?.title ?? chance.id}`}>
              Open
            </Button>
          </ProductLine>
        ))}
      </ul>
      {chances.length > most && (
        <Button look="bare" className="mt-1 !px-0" onClick={() => setMost(most + 50)}>
          {count(chances.length - most)} more
        </Button>
      )}
    </>
  );
}

function sayChance({ kind, goesWith, insteadOf }: MissedOpportunity): string {
  if (kind === "never-taken") return "recommendations not clicked";
  if (goesWith + insteadOf === 0) return "no recommendations";
  return goesWith === 0 ? "no complements" : "no alternatives";
}
