import type { SuggestedBlock, SuggestedItem } from "@core/suggest/request";
import { count } from "@ui/format";
import { ArrowUpRight, BookOpen, History, Search, X } from "lucide-react";
import type { ReactNode } from "react";
import type { Front } from "../client";
import { useTexts } from "../texts";
import { type Entry, isSpoken } from "./entries";
import { Marked } from "./Marked";
import { ProductItem } from "./ProductItem";

/** What every block gets: which entry is the active one, and what to do with one. */
export interface Choosing {
  front: Front;
  listId: string;
  entries: readonly Entry[];
  active: number;
  setActive: (place: number) => void;
  take: (entry: Entry) => void;
  forget: (text: string) => void;
}

const keepFocus = (event: { preventDefault: () => void }) => event.preventDefault();

/** One block of the panel: its heading, its entries, and "more" where there is more. */
export function BlockView({ block, ...choosing }: Choosing & { block: SuggestedBlock }) {
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
  const taken = own.filter(({ entry }) => entry.does === "take");
  const rest = own.filter(({ entry }) => entry.does !== "take");
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
        {taken.map(({ entry, place }) => (
          <Option
            key={place}
            entry={entry}
            place={place}
            {...choosing}
            className={isTiled ? "@[460px]:items-start" : isChips ? "border border-rule" : ""}
          />
        ))}
      </div>
      {rest.map(({ entry, place }) => (
        <Option key={place} entry={entry} place={place} {...choosing} />
      ))}
    </div>
  );
}

export function Heading({ children }: { children: ReactNode }) {
  return <div className="px-2 pt-1 pb-0.5 t-xs font-semibold text-soft">{children}</div>;
}

interface OptionProps extends Choosing {
  entry: Entry;
  place: number;
  className?: string;
}

/** One entry; the field keeps the focus whatever is pressed. */
export function Option({ entry, place, className = "", front, listId, active, setActive, take, forget }: OptionProps) {
  const t = useTexts();
  const isActive = place === active;
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
  front: Front;
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
