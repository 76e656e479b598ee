import type { Hit, SearchAnswer } from "@core/search/request";
import type { Page } from "@core/settings/page";
import { count } from "@ui/format";
import { memo, type ReactNode } from "react";
import { type Address, PAGE_SIZE, START, withFilter } from "./address";
import { Card } from "./Card";
import type { Front } from "./client";
import { Chips } from "./filters/Chips";
import { FilterPanel, FoldedFilters } from "./filters/FilterPanel";
import { NothingFound } from "./NothingFound";
import { useTexts } from "./texts";

interface Props {
  answer: SearchAnswer;
  front: Front;
  address: Address;
  onChange: (address: Address) => void;
  /** Draws the grid of hits; the bench puts edges and actions on them. */
  grid?: (hits: Hit[]) => ReactNode;
  /** Address of a product's page; null where products do not lead anywhere. */
  productLink: (id: string) => string | undefined;
  onOpenProduct?: (hit: Hit) => void;
  /** Whether the shop stands in a narrow device. */
  heading?: ReactNode;
}

/** What a search shows: filters, order, products, guides, paging, or the way on when there is nothing. */
export const Results = memo(function Results({ answer, front, address, onChange, grid, productLink, onOpenProduct, heading }: Props) {
  const t = useTexts();
  const place = front.page.filters;
  const panel = { filters: answer.filters, address, front, onChange };
  if (answer.outcome === "dead-end")
    return <NothingFound answer={answer} front={front} onSearch={(query) => onChange({ ...START, query })} productLink={productLink} />;
  return (
    <div className="@container">
      {heading}
      <Banner answer={answer} />
      {answer.outcome === "partial" && (
        <p className="mb-2 rounded bg-raised px-3 py-2 text-[13.5px]">
          {t("Nothing has every word. These answer {words}; left out: {rest}.", {
            words: answer.query.steps.find((step) => step.kind === "partial" || step.kind === "category")?.to ?? "",
            rest: answer.query.leftOut.map((word) => `“${word}”`).join(", "),
          })}
        </p>
      )}
      <div className={`grid gap-x-4 gap-y-3 ${COLUMNS[place]}`}>
        {place !== "demand" && answer.filters.length > 0 && (
          <aside className={`hidden @[520px]:block ${place === "right" ? "@[520px]:order-last" : ""}`}>
            <FilterPanel {...panel} inColumns={place === "over"} />
          </aside>
        )}
        <div className={place === "demand" ? "" : "@[520px]:hidden"}>
          <FoldedFilters {...panel} />
        </div>
        <div className="min-w-0">
          <div className="mb-2 flex flex-wrap items-center gap-2">
            <span className="text-[13px] text-soft">
              {t(answer.total === 1 ? "{n} product" : "{n} products", { n: count(answer.total) })}
            </span>
            <SortChoice answer={answer} onChange={(sort) => onChange({ ...address, sort, page: 1 })} />
          </div>
          <div className="mb-2 empty:hidden">
            <Chips {...panel} />
          </div>
          {answer.outcome === "filtered-out" ? (
            <FilteredOut answer={answer} address={address} chosen={front.chosen} onChange={onChange} />
          ) : grid ? (
            grid(answer.hits)
          ) : (
            <PlainGrid hits={answer.hits} front={front} productLink={productLink} onOpen={onOpenProduct} />
          )}
          <Paging total={answer.total} page={address.page} onPage={(page) => onChange({ ...address, page })} />
          <Guides answer={answer} front={front} />
        </div>
      </div>
    </div>
  );
});

/** Where the filters stand beside the results, by their place. */
const COLUMNS: Record<Page["filters"], string> = {
  left: "@[520px]:grid-cols-[142px_minmax(0,1fr)] @[900px]:grid-cols-[220px_minmax(0,1fr)]",
  right: "@[520px]:grid-cols-[minmax(0,1fr)_142px] @[900px]:grid-cols-[minmax(0,1fr)_220px]",
  over: "",
  demand: "",
};

export const GRID = "grid grid-cols-2 gap-x-3 gap-y-3.5 @[520px]:grid-cols-3 @[900px]:grid-cols-4";

function PlainGrid({
  hits,
  front,
  productLink,
  onOpen,
}: {
  hits: Hit[];
  front: Front;
  productLink: Props["productLink"];
  onOpen?: (hit: Hit) => void;
}) {
  return (
    <ul className={GRID}>
      {hits.map((hit) => (
        <li key={hit.id}>
          <Card product={hit} front={front} to={productLink(hit.id)} onOpen={() => onOpen?.(hit)} />
        </li>
      ))}
    </ul>
  );
}

function SortChoice({ answer, onChange }: { answer: SearchAnswer; onChange: (sort: string) => void }) {
  const t = useTexts();
  return (
    <select
      aria-label={t("Sort")}
      value={answer.sorts.find((sort) => sort.selected)?.id ?? "best"}
      onChange={(event) => onChange(event.target.value)}
      className="ml-auto h-7 rounded border border-rule bg-paper px-1 text-[13px]"
    >
      {answer.sorts.map((sort) => (
        <option key={sort.id} value={sort.id}>
          {t(sort.label)}
        </option>
      ))}
    </select>
  );
}

function FilteredOut({ answer, address, chosen, onChange }: Pick<Props, "answer" | "address" | "onChange"> & Pick<Front, "chosen">) {
  const t = useTexts();
  return (
    <div className="rounded bg-raised p-4">
      <p className="mb-2 font-semibold">{t("No product meets all of these filters at once.")}</p>
      <ul className="flex flex-col gap-1">
        {Object.entries(answer.withoutFilter ?? {}).map(([id, total]) => (
          <li key={id}>
            <button
              type="button"
              className="font-semibold text-press"
              onClick={() => {
                onChange(withFilter(address, id, null, chosen));
              }}
            >
              {t("Without {filter}", { filter: answer.filters.find((filter) => filter.id === id)?.label ?? id })}
            </button>{" "}
            <span className="text-soft">{t(total === 1 ? "{n} product" : "{n} products", { n: count(total) })}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}

function Paging({ total, page, onPage }: { total: number; page: number; onPage: (page: number) => void }) {
  const t = useTexts();
  const pages = Math.ceil(Math.min(total, 10_000) / PAGE_SIZE);
  if (pages < 2) return null;
  return (
    <nav aria-label={t("Pages")} className="mt-4 flex items-center gap-3 text-[13.5px]">
      <button
        type="button"
        disabled={page <= 1}
        onClick={() => onPage(page - 1)}
        className="font-semibold text-press disabled:text-soft disabled:opacity-60"
      >
        {t("Back")}
      </button>
      <span>{t("Page {page} of {pages}", { page: count(page), pages: count(pages) })}</span>
      <button
        type="button"
        disabled={page >= pages}
        onClick={() => onPage(page + 1)}
        className="font-semibold text-press disabled:text-soft disabled:opacity-60"
      >
        {t("Next")}
      </button>
    </nav>
  );
}

function Banner({ answer: { banner } }: { answer: SearchAnswer }) {
  if (!banner) return null;
  return (
    <div className="mb-3 rounded bg-press-soft px-4 py-3">
      <p className="font-head text-[17px] font-semibold">{banner.title}</p>
      <p>{banner.text}</p>
    </div>
  );
}

function Guides({ answer, front }: { answer: SearchAnswer; front: Front }) {
  const t = useTexts();
  if (answer.pages.hits.length === 0) return null;
  return (
    <section className="mt-5 border-t border-rule pt-3" aria-label={t("Guides")}>
      <h2 className="mb-1 text-[16px]">{t("Guides")}</h2>
      <ul className="grid gap-x-4 gap-y-2 @[640px]:grid-cols-2">
        {answer.pages.hits.map((page) => (
          <li key={page.id}>
            <a href={`/shop/${front.id}/guide/${page.id}`} className="font-semibold text-press">
              {page.title}
            </a>
            <p className="line-clamp-2 text-[13px] text-soft">{page.text}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}
