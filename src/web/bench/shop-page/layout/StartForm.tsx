import { Segments, TextLine } from "@ui/controls";
import { Card } from "../../../shop/card/Card";
import { ShopRoot } from "../../../shop/ShopRoot";
import { useFact } from "../../ask/useAsk";
import { Line, Lines } from "../../pieces/Lines";
import { NumberLine } from "../../pieces/NumberLine";
import { useOpen } from "../../state/bench";
import { setPage } from "../edits";

/** What the shop shows before anything is searched, and what that comes to now. */
export function StartForm() {
  const { start } = useOpen("settings").settings.page;
  const set = (part: Partial<typeof start>) => setPage({ start: { ...start, ...part } });
  return (
    <>
      <Lines wide>
        <Line name="The shop shows">
          <Segments
            label="What the shop shows first"
            value={start.show}
            options={[
              { value: "nothing", label: "nothing" },
              { value: "bestselling", label: "bestsellers" },
              { value: "newest", label: "newest" },
              { value: "search", label: "a search" },
              { value: "mix", label: "a mix" },
            ]}
            onChange={(show) => set({ show })}
          />
          {start.show === "search" && (
            <TextLine
              label="Search that is shown first"
              value={start.query}
              placeholder="spring bulbs"
              onCommit={(query) => set({ query: query.trim() })}
              className="w-40"
            />
          )}
        </Line>
        {start.show !== "nothing" && (
          <Line name="How many">
            <NumberLine
              label="Products shown first"
              value={start.most}
              min={1}
              max={48}
              onCommit={(most) => set({ most })}
              className="w-12"
            />
            {start.show === "mix" && (
              <span className="text-[12.5px] text-soft">The same all day, others tomorrow; only what is in stock.</span>
            )}
          </Line>
        )}
      </Lines>
      {start.show !== "nothing" && <StartPreview />}
    </>
  );
}

/** As many as fit in a row; which ones is what is asked. */
const SHOWN = 4;

function StartPreview() {
  const { front } = useOpen("front");
  const products = useFact("GET /api/stores/{store}/start", {})?.products;
  if (!products) return null;
  if (products.length === 0) return <p className="text-[13px] text-loss">This finds no product now.</p>;
  return (
    <ShopRoot front={front} className="rounded border border-rule p-2.5">
      <ul aria-label="First to see" className="grid grid-cols-4 gap-3">
        {products.slice(0, SHOWN).map((product) => (
          <li key={product.id}>
            <Card product={product} front={front} />
          </li>
        ))}
      </ul>
    </ShopRoot>
  );
}
