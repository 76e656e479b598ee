import type { SearchAnswer, ShopFront } from "@contract/search";
import type { Hit } from "@core/search/request";
import type { Page } from "@core/settings/page";
import type { Layout } from "@core/settings/page/layout";
import { lazy, memo, type ReactNode, Suspense } from "react";
import { type Address, layoutAt, type OnChange, START, withFilter } from "../address";
import { Card } from "../card/Card";
import { Chips } from "../filters/Chips";
import { FilterPanel, FoldedFilters } from "../filters/FilterPanel";
import { usePlaces } from "../links";
import { useTexts } from "../texts";
import { Banner } from "./Banner";
import { Block, blocksIn } from "./Blocks";
import { CategoryHits } from "./CategoryHits";
import { GuideList, Guides } from "./Guides";
import { gridOf, type Inset, withInset } from "./grid";
import { Kinds } from "./Kinds";
import { Paging } from "./Paging";
import { FilledUp, ReadLimits } from "./ReadLimits";
import { PerPage, SortChoice, ViewChoice } from "./Toolbar";

/** Most pages never need it. */
const NothingFound = lazy(() => import("../NothingFound"));

interface Props {
  answer: SearchAnswer;
  front: ShopFront;
  address: Address;
  onChange: OnChange;
  /** Draws hits; the bench puts edges and actions on them. */
  grid?: (hits: Hit[], layout: Layout, inset: Inset | null) => ReactNode;
  onOpenProduct?: (hit: Hit) => void;
  heading?: ReactNode;
  /** Whether filters are with the results; elsewhere on the page when not. */
  hasFilters?: boolean;
}

/** What a search shows: filters, order, products, blocks, guides, paging, or the way on when there is nothing. */
export const Results = memo(function Results({ answer, front, address, onChange, grid, onOpenProduct, heading, hasFilters = true }: Props) {
  const t = useTexts();
  const place = front.page.filters;
  const layout = layoutAt(address, front);
  const panel = { filters: answer.filters, address, front, onChange };
  const follow = (next: Partial<Address>) => onChange({ ...START, ...next });
  if (answer.outcome === "dead-end" && address.kind === "products")
    return (
      <Suspense fallback={<div className="min-h-[60vh]" />}>
        <NothingFound answer={answer} front={front} onSearch={(query) => follow({ query })} />
      </Suspense>
    );
  if (answer.outcome === "results" && answer.total === 0 && answer.pages.total > 0 && address.kind === "products")
    return (
      <div className="@container" part="results">
        {heading}
        <Guides answer={answer} onAll={() => onChange({ ...address, kind: "guides", page: 1 })} isAlone />
      </div>
    );
  const blocks = (where: "above" | "beside") =>
    blocksIn(answer, where).map((block) => (
      <Block key={block.id} block={block} front={front} onFollow={follow} isNarrow={where === "beside" && place !== "over"} />
    ));
  const besideBlocks = blocks("beside");
  const hasAside = (hasFilters && place !== "demand" && place !== "over" && answer.filters.length > 0) || besideBlocks.length > 0;
  return (
    <div className="@container" part="results">
      {heading}
      <Kinds answer={answer} address={address} onChange={onChange} />
      {address.kind === "guides" ? (
        <GuideList answer={answer} address={address} onChange={onChange} />
      ) : (
        <>
          {answer.banner && answer.banner.after === undefined && <Banner banner={answer.banner} onFollow={follow} />}
          <ReadLimits answer={answer} front={front} address={address} onChange={onChange} />
          <FilledUp answer={answer} address={address} />
          {answer.outcome === "partial" && (
            <p part="note" className="t-s mb-2 rounded-shop bg-raised px-3 py-2">
              {t("results.partial", {
                words: answer.query.steps.find((step) => step.kind === "partial" || step.kind === "category")?.to ?? "",
                rest: answer.query.leftOut.map((word) => t("results.heading", { query: word })).join(", "),
              })}
            </p>
          )}
          <CategoryHits answer={answer} />
          {blocks("above")}
          <div className={`grid gap-x-4 gap-y-3 ${hasAside ? COLUMNS[place] : ""}`}>
            {hasFilters && place === "over" && answer.filters.length > 0 && (
              <aside className="hidden @[520px]:block" aria-label={t("filters.title")}>
                <FilterPanel {...panel} inColumns />
              </aside>
            )}
            {hasAside && (
              <aside
                className={`hidden flex-col gap-5 @[520px]:flex ${place === "right" ? "@[520px]:order-last" : ""}`}
                aria-label={t("filters.title")}
              >
                {hasFilters && (place === "left" || place === "right") && <FilterPanel {...panel} />}
                {besideBlocks}
              </aside>
            )}
            {hasFilters && (
              <div className={place === "demand" ? "" : "@[520px]:hidden"}>
                <FoldedFilters {...panel} />
              </div>
            )}
            <div className="min-w-0">
              <div part="toolbar" className="mb-2 flex flex-wrap items-center gap-2">
                <span part="count" className="t-s text-soft" aria-live="polite">
                  {t("results.count", { n: answer.total })}
                </span>
                <span className="ml-auto flex flex-wrap items-center gap-2">
                  <ViewChoice layout={layout} onChange={(as) => onChange({ ...address, as })} />
                  <PerPage layout={layout} onChange={(perPage) => onChange({ ...address, perPage, page: 1 })} />
                  <SortChoice answer={answer} first={front.page.firstSort} onChange={(sort) => onChange({ ...address, sort, page: 1 })} />
                </span>
              </div>
              <div className="mb-2 empty:hidden">
                <Chips {...panel} />
              </div>
              {answer.outcome === "filtered-out" ? (
                <FilteredOut answer={answer} address={address} chosen={front.chosen} onChange={onChange} />
              ) : (
                <Shelves answer={answer} front={front} layout={layout} grid={grid} onOpenProduct={onOpenProduct} onFollow={follow} />
              )}
              <Paging answer={answer} address={address} layout={layout} front={front} onChange={onChange} />
              <Guides answer={answer} onAll={() => onChange({ ...address, kind: "guides", page: 1 })} />
            </div>
          </div>
        </>
      )}
    </div>
  );
});

/** Where the filters are beside the results, by their place. */
const COLUMNS: Record<Page["filters"], string> = {
  left: "@[520px]:grid-cols-[142px_minmax(0,1fr)] @[900px]:grid-cols-[220px_minmax(0,1fr)]",
  right: "@[520px]:grid-cols-[minmax(0,1fr)_142px] @[900px]:grid-cols-[minmax(0,1fr)_220px]",
  over: "",
  demand: "@[720px]:grid-cols-[200px_minmax(0,1fr)]",
};

/** The hits, with the blocks that are among them. */
function Shelves({
  answer,
  front,
  layout,
  grid,
  onOpenProduct,
  onFollow,
}: Pick<Props, "answer" | "front" | "grid" | "onOpenProduct"> & { layout: Layout; onFollow: (next: Partial<Address>) => void }) {
  const inside = blocksIn(answer, "inside");
  const draw = (hits: Hit[]) => {
    const inset = insetFor(answer, hits, onFollow);
    return grid ? (
      grid(hits, layout, inset)
    ) : (
      <PlainGrid hits={hits} front={front} layout={layout} inset={inset} onOpenProduct={onOpenProduct} />
    );
  };
  if (inside.length === 0) return draw(answer.hits);
  // A block comes after the result of its number, also on a later page.
  const first = (answer.hits[0]?.position ?? 1) - 1;
  const cuts = inside
    .map((block) => ({ block, at: (block.after ?? 0) - first }))
    .filter(({ at }) => at > 0 && at <= answer.hits.length)
    .sort((a, b) => a.at - b.at);
  const ends = [...cuts.map(({ at }) => at), answer.hits.length];
  return (
    <>
      {ends.map((end, i) => {
        const hits = answer.hits.slice(i === 0 ? 0 : ends[i - 1], end);
        const cut = cuts[i];
        return (
          <div key={cut?.block.id ?? "rest"}>
            {hits.length > 0 && draw(hits)}
            {cut && <Block block={cut.block} front={front} onFollow={onFollow} />}
          </div>
        );
      })}
    </>
  );
}

interface GridProps extends Pick<Props, "front" | "onOpenProduct"> {
  hits: Hit[];
  layout: Layout;
  inset: Inset | null;
}

function PlainGrid({ hits, front, layout, inset, onOpenProduct }: GridProps) {
  const places = usePlaces();
  const cards = hits.map((hit) => (
    <li key={hit.id}>
      <Card product={hit} front={front} as={layout.as} to={places.product(hit.id, hit.variant)} onOpen={() => onOpenProduct?.(hit)} />
    </li>
  ));
  return (
    <ul {...gridOf(layout)} part="grid">
      {withInset(cards, inset, (content) => (
        <li key=" inset">{content}</li>
      ))}
    </ul>
  );
}

/** The banner, where it has a space among these hits. */
function insetFor({ banner }: SearchAnswer, hits: readonly Hit[], onFollow: (next: Partial<Address>) => void): Inset | null {
  if (banner?.after === undefined) return null;
  const before = (hits[0]?.position ?? 1) - 1;
  const at = banner.after - before;
  // Behind the last of them it belongs to those that follow, but for the end of all.
  const isHere = at >= 0 && (at < hits.length || (before === 0 && hits.length <= at));
  return isHere ? { at: Math.min(at, hits.length), content: <Banner banner={banner} isSpace onFollow={onFollow} /> } : null;
}

function FilteredOut({ answer, address, chosen, onChange }: Pick<Props, "answer" | "address" | "onChange"> & Pick<ShopFront, "chosen">) {
  const t = useTexts();
  return (
    <div className="py-4">
      <p className="mb-2 font-semibold">{t("results.filtered-out")}</p>
      <ul className="flex flex-col gap-1">
        {Object.entries(answer.withoutFilter ?? {}).map(([id, total]) => (
          <li key={id}>
            <button type="button" onClick={() => onChange(withFilter(address, id, null, chosen))} className="font-semibold text-press">
              {t("results.without", { filter: answer.filters.find((filter) => filter.id === id)?.label ?? id })}
            </button>{" "}
            <span className="text-soft">{t("results.count", { n: total })}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
