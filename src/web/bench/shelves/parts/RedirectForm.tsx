import type { Redirect } from "@core/settings/parts";
import type { Shelf } from "@core/settings/shelf";
import { Button } from "@ui/Button";
import { plural } from "@ui/format";
import { call, HttpError, isAborted } from "@ui/http";
import { useEffect, useState } from "react";
import { Line, Lines } from "../../pieces/Lines";
import { Ticked } from "../../pieces/Ticked";
import { useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";
import { LinkForm } from "./LinkForm";

interface Props {
  /** Id of the shelf, null for one that is not there yet. */
  id: string | null;
  redirect: Redirect | null;
  query: string;
  onChange: (how: (shelf: Shelf) => Shelf) => void;
}

/** Where the search leads instead of showing results, tested as it is written. */
export function RedirectForm({ id, redirect, query, onChange }: Props) {
  const { front, settings } = useOpen("front", "settings");
  const { address } = useWindowParts("address");
  const landing = useLanding(id, redirect, query);
  if (!redirect)
    return (
      <Button look="bare" className="!px-0" onClick={() => onChange((shelf) => ({ ...shelf, redirect: startRedirect(front.categories) }))}>
        Send shoppers elsewhere
      </Button>
    );
  const change = (part: Partial<Redirect>) =>
    onChange((shelf) => ({ ...shelf, redirect: shelf.redirect && { ...shelf.redirect, ...part } }));
  const hasResults = redirect.to === "category" || redirect.to === "search";
  const names = Object.keys(redirect.filters).map((filter) => Object.values(settings.filters[filter]?.label ?? {})[0] ?? filter);
  return (
    <Lines wide>
      <Line name="Leads to">
        <LinkForm
          label="Redirect"
          value={redirect}
          onChange={(link) => change({ ...link, ...(link.to === redirect.to ? {} : { filters: {}, keepSearch: false }) })}
        />
      </Line>
      {(redirect.to === "category" || redirect.to === "address") && (
        <Line name="Search">
          <Ticked checked={redirect.keepSearch} label="The search goes along" onChange={(keepSearch) => change({ keepSearch })}>
            The search goes along{redirect.to === "address" && ", where {query} stands in the address"}
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
        <Button look="loss" className="ml-auto" onClick={() => onChange((shelf) => ({ ...shelf, redirect: null }))}>
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

interface Landing {
  products: number | null;
  title: string;
  isDead: boolean;
  chain: string[];
  isLoop: boolean;
}

function useLanding(shelf: string | null, redirect: Redirect | null, query: string): { text: string; isBad: boolean } | null {
  const { store, settings, revision } = useOpen("store", "settings", "revision");
  const [said, setSaid] = useState<{ text: string; isBad: boolean } | null>(null);
  const question = redirect && JSON.stringify({ redirect, shelf, query });
  // biome-ignore lint/correctness/useExhaustiveDependencies: another revision may have another end
  useEffect(() => {
    if (!question) return setSaid(null);
    const controller = new AbortController();
    call<Landing>(`/api/stores/${store.id}/shelves/landing`, { body: JSON.parse(question), signal: controller.signal }).then(
      (landing) =>
        setSaid({ text: sayLanding(landing, (id) => settings.shelves[id]?.name ?? id), isBad: landing.isDead || landing.isLoop }),
      (error) => !isAborted(error) && setSaid({ text: error instanceof HttpError ? error.message : "It could not be tried.", isBad: true }),
    );
    return () => controller.abort();
  }, [question, store.id, revision]);
  return said;
}

export function sayLanding({ products, title, isDead, chain, isLoop }: Landing, nameOf: (shelf: string) => string): string {
  const through = chain.length > 0 ? `, through ${chain.map((id) => `“${nameOf(id)}”`).join(", ")}` : "";
  if (isLoop) return `Nowhere: it comes back to itself${through}.`;
  if (isDead) return `${title}: nothing is there${through}.`;
  return `${title}${products === null ? "" : `, ${plural(products, "product")}`}${through}`;
}
