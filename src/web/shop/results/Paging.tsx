import type { SearchAnswer, ShopFront } from "@contract/search";
import type { Layout } from "@core/settings/page/layout";
import { useEffect, useRef } from "react";
import { type Address, type OnChange, spanOf } from "../address";
import { useTexts } from "../texts";

interface Props {
  answer: SearchAnswer;
  address: Address;
  layout: Layout;
  front: ShopFront;
  onChange: OnChange;
}

const BUTTON = "font-semibold text-press disabled:text-soft disabled:opacity-60";

/** The way to the results that are not shown yet: by pages, by a button, or as one comes near their end. */
export function Paging({ answer, address, layout, front, onChange }: Props) {
  const reachable = Math.min(answer.total, 10_000);
  if (layout.paging === "pages")
    return <Pages page={address.page} pages={Math.ceil(reachable / layout.perPage)} onPage={(page) => onChange({ ...address, page })} />;
  const { offset } = spanOf(address, front);
  const shown = Math.min(offset + answer.hits.length, reachable);
  return (
    <More
      shown={shown}
      total={reachable}
      next={Math.min(layout.perPage, reachable - shown)}
      isEndless={layout.paging === "endless"}
      onBack={offset > 0 ? () => onChange({ ...address, page: Math.max(1, offset / layout.perPage) }) : null}
      onMore={() => onChange({ ...address, page: address.page + 1 }, { replace: layout.paging === "endless" })}
    />
  );
}

export function Pages({ page, pages, onPage }: { page: number; pages: number; onPage: (page: number) => void }) {
  const t = useTexts();
  if (pages < 2) return null;
  return (
    <nav part="paging" aria-label={t("paging.pages")} className="t-s mt-4 flex items-center gap-3">
      <button type="button" disabled={page <= 1} onClick={() => onPage(page - 1)} className={BUTTON}>
        {t("paging.back")}
      </button>
      <span>{t("paging.place", { page, pages })}</span>
      <button type="button" disabled={page >= pages} onClick={() => onPage(page + 1)} className={BUTTON}>
        {t("paging.next")}
      </button>
    </nav>
  );
}

interface MoreProps {
  shown: number;
  total: number;
  next: number;
  isEndless: boolean;
  onBack: (() => void) | null;
  onMore: () => void;
}

function More({ shown, total, next, isEndless, onBack, onMore }: MoreProps) {
  const t = useTexts();
  const end = useRef<HTMLSpanElement>(null);
  const ask = useRef(onMore);
  ask.current = onMore;
  const left = total - shown;
  const isDone = left <= 0;
  // Watched anew whenever more is shown: the end may be in sight still.
  useEffect(() => {
    const mark = end.current;
    if (!isEndless || left <= 0 || !mark) return;
    const watcher = new IntersectionObserver((entries) => entries.some((entry) => entry.isIntersecting) && ask.current());
    watcher.observe(mark);
    return () => watcher.disconnect();
  }, [isEndless, left]);
  if (total === 0) return null;
  return (
    <div part="paging" className="t-s relative mt-4 flex flex-col items-center gap-2">
      {/* It reaches up from the end, so that more is asked for before one is there, whatever scrolls. */}
      <span ref={end} aria-hidden className="pointer-events-none absolute bottom-full h-[400px] w-px" />
      <span className="text-soft">{t("paging.shown", { shown, total })}</span>
      {/* For those who come by keyboard the button is there in an endless list too. */}
      {!isDone && (
        <button
          type="button"
          part="more-button"
          onClick={onMore}
          className="h-9 rounded-shop border border-press px-4 font-semibold text-press"
        >
          {t("paging.more", { n: next })}
        </button>
      )}
      {onBack && (
        <button type="button" onClick={onBack} className={BUTTON}>
          {t("paging.back")}
        </button>
      )}
    </div>
  );
}
