import type { SearchAnswer } from "@contract/search";
import { ArrowRight } from "lucide-react";
import { leadOf } from "../../shop/redirect";
import { useGuides } from "../pieces/useGuides";
import { useWindowParts } from "../state/window";

/** That shoppers are led away here, to where, and what they would have seen. */
export function Redirected({ redirect }: { redirect: NonNullable<SearchAnswer["redirect"]> }) {
  const { go } = useWindowParts("go");
  const lead = leadOf(redirect, { guide: () => undefined });
  const guides = useGuides();
  const name = redirect.to === "page" ? (guides.find(({ id }) => id === redirect.value)?.title ?? redirect.value) : redirect.value;
  return (
    <p className="mb-3 flex items-center gap-2 rounded border-[1.5px] border-[#5b2a4e] px-3 py-2 text-[13px]">
      <ArrowRight className="size-4 shrink-0" aria-hidden />
      <span className="min-w-0 flex-1">
        Shoppers are led to <b className="font-semibold">{name}</b>
        {redirect.query && <> with the search “{redirect.query}” in it</>}. Below is what they would have seen.
      </span>
      {lead && "address" in lead && (
        <button type="button" className="font-semibold text-[#5b2a4e] underline decoration-dotted" onClick={() => go(lead.address)}>
          Go there
        </button>
      )}
    </p>
  );
}
