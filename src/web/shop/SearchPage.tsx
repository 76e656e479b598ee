import type { SearchAnswer } from "@contract/search";
import { type HttpError, isAborted } from "@ui/http";
import { useEffect, useRef, useState } from "react";
import { useLocation, useNavigate, useParams, useSearchParams } from "react-router";
import { type Address, deviceOf, fromParams, START, toParams, toRequest } from "./address";
import { cardFields, type PageProps } from "./client";
import { Heading } from "./Heading";
import { categoryLink, guideLink } from "./links";
import { type Lead, leadOf, MOST_LEADS } from "./redirect";
import { Results } from "./results/Results";
import { record } from "./visit";

/** Results of a search or of a category; all that was chosen is in the address bar. */
export function SearchPage({ front, client }: PageProps) {
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const location = useLocation();
  const { "*": rest = "" } = useParams();
  const isCategory = location.pathname.startsWith(`/shop/${front.id}/category/`);
  const category = isCategory && rest ? rest.split("/").map(decodeURIComponent) : null;
  const key = `${location.pathname}?${params}`;
  const address = fromParams(params, category);
  const [answer, setAnswer] = useState<SearchAnswer | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const latest = useRef(address);
  latest.current = address;
  /** How often this visit was led on to get here. */
  const leads = Number((location.state as { leads?: number } | null)?.leads ?? 0);
  const latestLead = useRef<(lead: Lead) => void>(() => undefined);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for the address, which is new at each drawing
  useEffect(() => {
    const controller = new AbortController();
    client.search(toRequest(latest.current, cardFields(front), { ...front, device: deviceOf(window.innerWidth) }), controller.signal).then(
      (found) => {
        setFailure(null);
        const lead = found.redirect && leads < MOST_LEADS ? leadOf(found.redirect, { guide: (id) => guideLink(front.id, id) }) : null;
        if (lead) latestLead.current(lead);
        else setAnswer(found);
        record(`/shop/${front.id}`, {
          kind: "search",
          searchId: found.searchId,
          query: latest.current.query,
          place: latest.current.category ? "category" : "results",
        });
      },
      (error) => {
        if (!isAborted(error)) setFailure((error as HttpError).message);
      },
    );
    return () => controller.abort();
  }, [key, client, front]);
  const placeOf = (next: Address) =>
    `${next.category ? categoryLink(front.id, next.category) : `/shop/${front.id}/search`}?${toParams(next)}`;
  const change = (next: Address, how?: { replace: boolean }) => void navigate(placeOf(next), how);
  // Going back passes over a search that led on.
  latestLead.current = (lead) => {
    const url = "url" in lead ? lead.url : placeOf(lead.address);
    if (url.startsWith(`/shop/${front.id}/`)) void navigate(url, { replace: true, state: { leads: leads + 1 } });
    else window.location.replace(url);
  };
  if (failure) return <p className="py-8 text-loss">{failure}</p>;
  if (!answer) return <div className="min-h-[80vh]" />;
  return (
    <div className="pt-4">
      <Results
        answer={answer}
        front={front}
        address={address}
        onChange={change}
        onOpenProduct={(hit) =>
          record(`/shop/${front.id}`, {
            kind: "click",
            searchId: answer.searchId,
            query: address.query,
            product: hit.id,
            position: hit.position,
          })
        }
        heading={
          <Heading
            front={front}
            address={address}
            answer={answer}
            onSearch={(query) => change({ ...START, query, category: address.category })}
            onAsTyped={() => change({ ...address, page: 1, asTyped: true })}
          />
        }
      />
    </div>
  );
}
