import type { SearchAnswer } from "@contract/search";
import type { PageHit } from "@core/search/request";
import { type Address, GUIDES_AT_ONCE, type OnChange } from "../address";
import { To, usePlaces } from "../links";
import { useTexts } from "../texts";
import { Pages } from "./Paging";

interface GuidesProps {
  answer: SearchAnswer;
  onAll: () => void;
  /** There are no products above them. */
  isAlone?: boolean;
}

/** The first few guides: below the products, or all there is. */
export function Guides({ answer: { pages }, onAll, isAlone = false }: GuidesProps) {
  const t = useTexts();
  if (pages.hits.length === 0) return null;
  return (
    <section part="guides" className={isAlone ? "max-w-[760px]" : "mt-6 border-t border-rule pt-3"} aria-label={t("guides.title")}>
      <h2 className="t-l mb-1">{t("guides.title")}</h2>
      <GuideLinks pages={pages.hits} isWide={isAlone} />
      {pages.total > pages.hits.length && (
        <button type="button" onClick={onAll} className="t-s mt-2 font-semibold text-press">
          {t("block.more")} ({pages.total})
        </button>
      )}
    </section>
  );
}

/** All guides that answer the search, page by page. */
export function GuideList({ answer: { pages }, address, onChange }: { answer: SearchAnswer; address: Address; onChange: OnChange }) {
  return (
    <div className="max-w-[760px]">
      <GuideLinks pages={pages.hits} isWide />
      <Pages page={address.page} pages={Math.ceil(pages.total / GUIDES_AT_ONCE)} onPage={(page) => onChange({ ...address, page })} />
    </div>
  );
}

export function GuideLinks({ pages, isWide = false }: { pages: readonly PageHit[]; isWide?: boolean }) {
  const places = usePlaces();
  return (
    <ul className={`grid gap-x-4 gap-y-3 ${isWide ? "" : "@[640px]:grid-cols-2"}`}>
      {pages.map((page) => (
        <li key={page.id}>
          <To to={places.guide(page.id)} className="font-semibold text-press">
            {page.title}
          </To>
          <p className="t-s line-clamp-2 text-soft">{page.text}</p>
        </li>
      ))}
    </ul>
  );
}
