import type { RedirectLanding } from "@contract/shelves";
import { lookUp } from "@core/records";
import { Redirect } from "@core/settings/parts";
import { Button } from "@ui/Button";
import { plural } from "@ui/format";
import { sayError } from "@ui/http";
import { useAsk } from "../../ask/useAsk";
import { useLiveForm } from "../../forms/useLiveForm";
import { Line, Lines } from "../../pieces/Lines";
import { Ticked } from "../../pieces/Ticked";
import { useFilterNames } from "../../pieces/useFilterNames";
import { useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";
import type { ShelfChange } from "../edits";
import { LinkForm } from "./LinkForm";

interface Props {
  /** Id of the shelf, null for one that is not there yet. */
  id: string | null;
  redirect: Redirect | null;
  query: string;
  onChange: ShelfChange;
}

/** Where the search leads instead of showing results, tested as it is written. */
export function RedirectForm({ redirect, onChange, ...rest }: Props) {
  const { front } = useOpen("front");
  if (redirect) return <OneRedirect redirect={redirect} onChange={onChange} {...rest} />;
  const start = () => void onChange((shelf) => ({ ...shelf, redirect: startRedirect(front.categories) }));
  return (
    <Button look="bare" className="!px-0" onClick={start}>
      Redirect
    </Button>
  );
}

function OneRedirect({ id, redirect: kept, query, onChange }: Props & { redirect: Redirect }) {
  const { address } = useWindowParts("address");
  const form = useLiveForm(Redirect, kept, (part) =>
    onChange((shelf) => ({ ...shelf, redirect: shelf.redirect && { ...shelf.redirect, ...part } })),
  );
  const { value: redirect, change, problemOf } = form;
  const landing = useLanding(id, redirect, query);
  const hasResults = redirect.to === "category" || redirect.to === "search";
  const nameOf = useFilterNames();
  const names = Object.keys(redirect.filters).map((filter) => nameOf(filter));
  return (
    <Lines wide>
      <Line name="Leads to" problem={problemOf("value") ?? problemOf("to")}>
        <LinkForm
          label="Redirect"
          value={redirect}
          onChange={(link) => change({ ...link, ...(link.to === redirect.to ? {} : { filters: {}, keepSearch: false }) })}
        />
      </Line>
      {(redirect.to === "category" || redirect.to === "address") && (
        <Line name="Search">
          <Ticked checked={redirect.keepSearch} label="The search goes along" onChange={(keepSearch) => change({ keepSearch })}>
            The search goes along{redirect.to === "address" && ", where {query} is in the address"}
          </Ticked>
        </Line>
      )}
      {hasResults && (
        <Line name="Filters">
          {names.length > 0 && (
            <>
              {names.join(", ")} chosen
              <Button onClick={() => change({ filters: {} })}>None</Button>
            </>
          )}
          {Object.keys(address.filters).length > 0 ? (
            <Button onClick={() => change({ filters: address.filters })}>As chosen in the window</Button>
          ) : (
            names.length === 0 && <span className="text-[12.5px] text-soft">Choose filters in the window to take them along.</span>
          )}
        </Line>
      )}
      <Line name="Comes out at">
        <span role="status" className={landing?.isBad ? "font-semibold text-loss" : ""}>
          {landing?.text ?? "…"}
        </span>
        <Button look="loss" className="ml-auto" onClick={() => void onChange((shelf) => ({ ...shelf, redirect: null }))}>
          No redirect
        </Button>
      </Line>
    </Lines>
  );
}

/** A redirect to begin with: to the shop's first category. */
export const startRedirect = (categories: readonly { path: string[] }[]): Redirect => ({
  to: "category",
  value: categories[0]?.path.join(" › ") ?? "–",
  filters: {},
  keepSearch: false,
});

function useLanding(shelf: string | null, redirect: Redirect | null, query: string): { text: string; isBad: boolean } | null {
  const { settings } = useOpen("settings");
  const { data, error } = useAsk("POST /api/stores/{store}/shelves/landing", redirect && { body: { redirect, shelf, query } });
  if (error) return { text: sayError(error, "It could not be tried."), isBad: true };
  return data ? { text: sayLanding(data, (id) => lookUp(settings.shelves, id)?.name ?? id), isBad: data.isDead || data.isLoop } : null;
}

export function sayLanding({ products, title, isDead, chain, isLoop }: RedirectLanding, nameOf: (shelf: string) => string): string {
  const through = chain.length > 0 ? `, through ${chain.map((id) => `“${nameOf(id)}”`).join(", ")}` : "";
  if (isLoop) return `Nowhere: it comes back to itself${through}.`;
  if (isDead) return `${title}: nothing is there${through}.`;
  return `${title}${products === null ? "" : `, ${plural(products, "product")}`}${through}`;
}
