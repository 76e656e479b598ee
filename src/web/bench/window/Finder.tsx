import type { PlaceOfProduct } from "@contract/products";
import { lookUp } from "@core/records";
import { Button, IconButton } from "@ui/Button";
import { X } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { toRequest, withoutFilters } from "../../shop/address";
import { Failed } from "../ask/Answered";
import { useAsk, useFact } from "../ask/useAsk";
import { ProductPicker } from "../pieces/ProductPicker";
import { useBenchParts, useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import { sayWhy } from "./say-why";
import { shelfActions as actions } from "./shelf-actions";
import { showAgain } from "./show-again";

const LINK = "font-semibold text-press no-underline hover:underline";

/** Id of its place in the page. */
export const FINDER = "finder";

/** "Where is…?": where a product is in the search being tried, or the first reason that keeps it out. */
export function Finder() {
  const { store, settings, fields, front, revision } = useOpen("store", "settings", "fields", "front", "revision");
  const { edit } = useBenchParts("edit");
  const { address, at, set: setWindow, go, lost } = useWindowParts("address", "at", "set", "go", "lost");
  const [wanted, setWanted] = useState<{ id: string; title: string } | null>(null);
  const answer = useAsk(
    "POST /api/stores/{store}/search",
    // Where an edit is on its way, it is waited for: what is said is said of the draft as it stands.
    wanted && {
      query: { revision },
      body: { ...toRequest(address, null, front), at, source: "draft", limit: 0, fields: [], why: [wanted.id] },
    },
  );
  const found = wanted && answer.data ? { ...wanted, why: lookUp(answer.data.why, wanted.id) } : null;
  const why = found?.why;
  const panel = useRef<HTMLDivElement>(null);
  useEffect(() => panel.current?.querySelector("input")?.focus(), []);
  // What can be done about it is the next step.
  const answered = why === undefined ? null : (wanted?.id ?? null);
  useEffect(() => {
    if (answered !== null) panel.current?.querySelector<HTMLElement>("[role=status] :is(button, a)")?.focus();
  }, [answered]);
  return (
    <div ref={panel} id={FINDER} className="border-b border-rule bg-press-soft px-3.5 py-2 text-[13px]">
      <div className="flex items-center gap-2">
        <span className="whitespace-nowrap font-semibold">Where is</span>
        <div className="flex-1">
          <ProductPicker label="Product to look for" everything onPick={setWanted} />
        </div>
        <IconButton label="Close" onClick={() => setWindow({ isFinding: false })}>
          <X className="size-4" />
        </IconButton>
      </div>
      {answer.error && <Failed error={answer.error} onRetry={() => void answer.refetch()} />}
      {found && why && (
        <p className="mt-1.5 flex flex-wrap items-center gap-2" role="status">
          <span>
            <b>{found.title}</b>: {sayWhy(why, settings, front)}.
          </span>
          {"position" in why ? (
            <Button onClick={() => go({ page: Math.ceil(why.position / 24) })}>Go there</Button>
          ) : why.reason === "hidden" && why.rule ? (
            <Button onClick={() => void edit(showAgain(settings, fields, found.id, why.rule ?? ""))}>Show it again</Button>
          ) : why.reason === "excluded" ? (
            <Button onClick={() => actions.readmit(found.id)}>Show it again</Button>
          ) : why.reason === "filtered" ? (
            <Button onClick={() => go(withoutFilters(address, front.chosen))}>Clear the filters</Button>
          ) : (
            <>
              {why.reason === "no-answer" && why.unit && (
                <Link className={LINK} to={`/bench/${store.id}/words/rules?word=${encodeURIComponent(why.unit)}`}>
                  Say what “{why.unit}” means
                </Link>
              )}
              {why.reason === "sold-out" && (
                <Link className={LINK} to={`/bench/${store.id}/ranking/stock`}>
                  Change where sold-out products stand
                </Link>
              )}
              <Button onClick={() => actions.pin(found.id, 1)}>Pin it to the top</Button>
            </>
          )}
        </p>
      )}
      {wanted && <Elsewhere id={wanted.id} said={why && "rule" in why ? (why.rule ?? null) : null} />}
      {!found && lost.length > 0 && (
        <ul className="mt-1.5 flex flex-col gap-0.5">
          {lost.map((entry) => (
            <li key={entry.id}>
              <b>{entry.title}</b> <span className="text-loss">lost:</span> {sayWhy(entry.why, settings, front)}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

const PLACE_NAMES: Record<PlaceOfProduct["place"], string> = {
  browsing: "in categories",
  searching: "in results",
  typing: "while typing",
  beside: "in recommendations",
};

/**
 * What keeps a product out of the places of the shop, whatever is asked there, each with the control that would change it.
 * @param said the rule that is named above already, with its control.
 */
function Elsewhere({ id, said }: { id: string; said: string | null }) {
  const { store, settings, fields } = useOpen("store", "settings", "fields");
  const { edit } = useBenchParts("edit");
  const places = useFact("GET /api/stores/{store}/products/{id}/places", { params: { id } });
  if (!places) return null;
  const kept = places.filter(({ why }) => why !== null);
  const free = places.filter(({ why }) => why === null).map(({ place }) => PLACE_NAMES[place]);
  const rules = new Set(kept.flatMap(({ why }) => (why?.reason === "hidden" ? [why.rule] : [])));
  return (
    <ul aria-label="Where it may be" className="mt-1 flex flex-col gap-0.5">
      {free.length > 0 && <li className="text-soft">Nothing keeps it out {free.join(", ")}.</li>}
      {[...rules].map((rule) => (
        <li key={rule} className="flex flex-wrap items-center gap-2">
          <span>
            Hidden {placesWith(kept, (why) => why.reason === "hidden" && why.rule === rule)}:{" "}
            {lookUp(settings.hides, rule)?.name ?? "by the feed"}.
          </span>
          {rule !== said && <Button onClick={() => void edit(showAgain(settings, fields, id, rule))}>Show it again</Button>}
        </li>
      ))}
      {(["sold-out", "behind"] as const).map((reason) => {
        const where = placesWith(kept, (why) => why.reason === reason);
        return (
          where !== "" && (
            <li key={reason}>
              It cannot be had, and {reason === "behind" ? "is shown last" : "comes only when asked for"} {where}.{" "}
              <Link className={LINK} to={`/bench/${store.id}/ranking/stock`}>
                Change that
              </Link>
            </li>
          )
        );
      })}
    </ul>
  );
}

function placesWith(places: readonly PlaceOfProduct[], is: (why: NonNullable<PlaceOfProduct["why"]>) => boolean): string {
  return places.flatMap(({ place, why }) => (why && is(why) ? [PLACE_NAMES[place]] : [])).join(", ");
}
