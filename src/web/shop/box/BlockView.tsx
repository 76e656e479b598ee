import type { ShopFront } from "@contract/search";
import type { SuggestedBlock, SuggestedItem } from "@core/suggest/request";
import { count } from "@ui/format";
import { ArrowUpRight, BookOpen, History, Search, X } from "lucide-react";
import { memo, type ReactNode } from "react";
import { useTexts } from "../texts";
import { type Entry, isSpoken } from "./entries";
import { Marked } from "./Marked";
import { ProductItem } from "./ProductItem";

/** What every block gets: which entry is the active one, and what to do with one. */
export interface Choosing {
  front: ShopFront;
  listId: string;
  entries: readonly Entry[];
  active: number;
  setActive: (place: number) => void;
  take: (entry: Entry) => void;
  forget: (text: string) => void;
}

const keepFocus = (event: { preventDefault: () => void }) => event.preventDefault();

/** One block of the panel: its heading, its entries, and "more" where there is more. */
export const BlockView = memo(function BlockView({ block, ...choosing }: Choosing & { block: SuggestedBlock }) {
  const t = useTexts();
  const label = block.heading || t("box.message");
  if (isSpoken(block))
    return (
      <div part="block" data-block={block.id}>
        {block.heading && <Heading>{block.heading}</Heading>}
        {block.items.map(({ text }) => (
          <p key={text} className={`px-2 py-1 ${block.kind === "message" ? "t-m" : "t-s text-soft"}`}>
            {text}
          </p>
        ))}
      </div>
    );
  const own = choosing.entries
    .map((entry, place) => ({ entry, place }))
    .filter(({ entry }) => entry.does !== "all" && entry.block.id === block.id);
  const isTiled = block.kind === "products";
  const isChips = block.kind === "values";
  const { active, entries: _entries, ...shared } = choosing;
  const draw = ({ entry, place }: (typeof own)[number], className = "") => (
    <Option key={keyOf(entry)} entry={entry} place={place} isActive={place === active} {...shared} className={className} />
  );
  return (
    <div part="block" data-block={block.id} role="group" aria-label={label} className={isTiled ? "@container" : ""}>
      {block.heading && <Heading>{block.heading}</Heading>}
      <div
        className={
          isTiled
            ? "grid grid-cols-1 @[460px]:grid-cols-4 @[460px]:gap-1 @[760px]:grid-cols-6"
            : isChips
              ? "flex flex-wrap gap-1 px-1 py-0.5"
              : ""
        }
      >
        {own
          .filter(({ entry }) => entry.does === "take")
          .map((one) => draw(one, isTiled ? "@[460px]:items-start" : isChips ? "border border-rule" : ""))}
      </div>
      {own.filter(({ entry }) => entry.does !== "take").map((one) => draw(one))}
    </div>
  );
});

/** What stays the same while an entry moves: it is then moved rather than drawn anew. */
const keyOf = (entry: Entry) => (entry.does === "take" ? (entry.item.id ?? entry.item.path?.join("/") ?? entry.item.text) : entry.does);

export function Heading({ children }: { children: ReactNode }) {
  return <div className="px-2 pt-1 pb-0.5 t-xs font-semibold text-soft">{children}</div>;
}

interface OptionProps extends Omit<Choosing, "active" | "entries"> {
  entry: Entry;
  place: number;
  isActive: boolean;
  className?: string;
}

/** One entry; the field keeps the focus whatever is pressed. */
export const Option = memo(function Option({
  entry,
  place,
  isActive,
  className = "",
  front,
  listId,
  setActive,
  take,
  forget,
}: OptionProps) {
  const t = useTexts();
  return (
    <div
      id={`${listId}-${place}`}
      part="option"
      role="option"
      tabIndex={-1}
      aria-selected={isActive}
      onMouseDown={keepFocus}
      onMouseMove={() => isActive || setActive(place)}
      onClick={() => take(entry)}
      onKeyDown={() => undefined}
      className={`group flex min-w-0 cursor-pointer items-center gap-2 rounded-shop px-2 py-1 ${isActive ? "bg-press-soft" : ""} ${className}`}
    >
      {entry.does === "take" ? (
        <Line kind={entry.block.kind} item={entry.item} front={front} forget={forget} />
      ) : entry.does === "all" ? (
        <span className="font-semibold text-press">{t("box.all", { n: entry.total })}</span>
      ) : (
        <span className="t-s font-semibold text-press">{t(entry.does === "unfold" ? "box.more" : "box.fewer")}</span>
      )}
    </div>
  );
}, isSameOption);

/** The way to all results, at a place among the entries. */
export function AllOption({ place, entries, active, ...shared }: Choosing & { place: number }) {
  return <Option entry={entries[place]} place={place} isActive={place === active} {...shared} />;
}

/** Answers bring the same things in new objects; what is said of one decides whether it is drawn anew. */
function isSameOption(before: OptionProps, after: OptionProps): boolean {
  return (Object.keys(after) as (keyof OptionProps)[]).every(
    (key) => before[key] === after[key] || (key === "entry" && JSON.stringify(before.entry) === JSON.stringify(after.entry)),
  );
}

const ICONS: Partial<Record<SuggestedBlock["kind"], typeof Search>> = {
  recent: History,
  searches: Search,
  completions: Search,
  pages: BookOpen,
  categories: ArrowUpRight,
};

function Line({
  kind,
  item,
  front,
  forget,
}: {
  kind: SuggestedBlock["kind"];
  item: SuggestedItem;
  front: ShopFront;
  forget: (text: string) => void;
}) {
  const t = useTexts();
  if (kind === "products") return <ProductItem item={item} front={front} />;
  const Icon = ICONS[kind];
  return (
    <>
      {Icon && <Icon className="size-3.5 shrink-0 text-soft" aria-hidden />}
      <span className="min-w-0 flex-1 truncate">
        <Marked text={item.text} marks={front.box.marks ? (item.marks ?? []) : []} />
        {kind === "categories" && item.path && item.path.length > 1 && (
          <span className="text-soft"> {t("box.within", { category: item.path.slice(0, -1).join(" › ") })}</span>
        )}
      </span>
      {item.count !== undefined && <span className="t-s text-soft">{count(item.count)}</span>}
      {kind === "recent" && (
        // The keyboard's way to it is the Delete key.
        <span
          aria-hidden
          title={t("box.forget", { text: item.text })}
          onClick={(event) => {
            event.stopPropagation();
            forget(item.text);
          }}
          className="grid size-5 place-items-center rounded-shop text-soft hover:text-loss"
        >
          <X className="size-3.5" />
        </span>
      )}
    </>
  );
}
