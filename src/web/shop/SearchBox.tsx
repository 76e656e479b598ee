import type { Say } from "@core/messages/say";
import type { MessageId } from "@core/messages/texts";
import type { SuggestAnswer } from "@core/search/request";
import { count } from "@ui/format";
import { isAborted } from "@ui/http";
import { Search } from "lucide-react";
import { type KeyboardEvent, type ReactNode, useEffect, useId, useMemo, useRef, useState } from "react";
import { ShortPrice } from "./card/ShortPrice";
import { type Front, roleKey, type ShopClient } from "./client";
import { useTexts } from "./texts";

type Item = SuggestAnswer["blocks"][number]["items"][number];

interface Props {
  client: ShopClient;
  front: Front;
  value: string;
  /** The category in which the shopper is; the search can be kept in it. */
  category?: string[] | null;
  /** The category, and the selection, to which the box is limited whatever is searched. */
  limit?: string[] | null;
  within?: string | null;
  /** @param within the category to which the search is limited, where the shopper wants it so. */
  onSearch: (query: string, within: string[] | null) => void;
  onCategory: (path: string[]) => void;
  onProduct: (id: string) => void;
  onPage: (id: string) => void;
}

const WAIT = 60;

/** The search field with the panel under it; keyboard as in the ARIA combobox pattern. Late answers never replace newer ones. */
export function SearchBox({
  client,
  front,
  value,
  category = null,
  limit = null,
  within = null,
  onSearch,
  onCategory,
  onProduct,
  onPage,
}: Props) {
  const t = useTexts();
  const [text, setText] = useState(value);
  const [isScoped, setScoped] = useState(false);
  const [answer, setAnswer] = useState<SuggestAnswer | null>(null);
  const [isOpen, setOpen] = useState(false);
  const [active, setActive] = useState(-1);
  const listId = useId();
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => setText(value), [value]);
  const scope = useMemo(() => ({ category: isScoped ? category : limit, within }), [isScoped, category, limit, within]);
  useEffect(() => {
    if (!isOpen) return;
    const controller = new AbortController();
    const timer = setTimeout(() => {
      client.suggest(text, scope, controller.signal).then(
        (next) => {
          setAnswer(next);
          setActive(-1);
        },
        (error) => {
          if (!isAborted(error)) setAnswer(null);
        },
      );
    }, WAIT);
    return () => {
      clearTimeout(timer);
      controller.abort();
    };
  }, [text, isOpen, client, scope]);

  const blocks = answer?.blocks ?? [];
  const items = blocks.flatMap((block) => (block.kind === "message" ? [] : block.items.map((item) => ({ kind: block.kind, item }))));
  const close = () => {
    setOpen(false);
    input.current?.blur();
  };
  const submit = (query: string) => {
    setText(query);
    close();
    onSearch(query.trim(), scope.category);
  };
  const take = (kind: string, item: Item) => {
    if (kind === "products" && item.id) onProduct(item.id);
    else if (kind === "categories" && item.path) onCategory(item.path);
    else if (kind === "pages" && item.id) onPage(item.id);
    else return submit(item.text);
    close();
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === "ArrowDown" || event.key === "ArrowUp") {
      event.preventDefault();
      setOpen(true);
      const step = event.key === "ArrowDown" ? 1 : -1;
      setActive((place) => (items.length === 0 ? -1 : ((place + 1 + step + items.length + 1) % (items.length + 1)) - 1));
    } else if (event.key === "Enter") {
      event.preventDefault();
      const chosen = items[active];
      if (chosen) take(chosen.kind, chosen.item);
      else submit(text);
    } else if (event.key === "Escape") {
      if (isOpen) setOpen(false);
      else setText("");
    }
  };
  let place = -1;
  return (
    <search part="search-box" className="relative block w-full">
      <div className="flex h-10 items-center gap-2 rounded-shop border-[1.5px] border-ink bg-paper px-3 focus-within:border-press">
        <Search className="size-4 shrink-0 text-soft" aria-hidden />
        <input
          ref={input}
          type="text"
          role="combobox"
          aria-label={t("box.label")}
          aria-expanded={isOpen && blocks.length > 0}
          aria-controls={listId}
          aria-autocomplete="list"
          aria-activedescendant={active >= 0 ? `${listId}-${active}` : undefined}
          autoComplete="off"
          spellCheck={false}
          placeholder={t("box.placeholder")}
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            setOpen(true);
          }}
          onFocus={() => setOpen(true)}
          onBlur={() => setOpen(false)}
          onKeyDown={onKeyDown}
          className="h-full min-w-0 flex-1 bg-transparent t-m outline-none"
        />
        {category && (
          <label className="t-xs flex items-center gap-1 whitespace-nowrap text-soft">
            <input type="checkbox" checked={isScoped} onChange={(event) => setScoped(event.target.checked)} className="accent-(--press)" />
            {t("box.scope", { category: category.at(-1) ?? "" })}
          </label>
        )}
        <button
          type="button"
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => submit(text)}
          className="t-s font-semibold text-press"
        >
          {t("box.search")}
        </button>
      </div>
      <div
        id={listId}
        part="panel"
        role="listbox"
        aria-label={t("box.suggestions")}
        className={`absolute inset-x-0 top-[44px] z-40 max-h-[70vh] overflow-auto rounded-shop border border-rule bg-paper p-2 shadow-lg ${isOpen && blocks.length > 0 ? "" : "hidden"}`}
      >
        {blocks.map((block) => (
          <div key={block.id} role="group" aria-label={headingOf(block, t)} className="pb-1.5">
            {block.heading && <div className="px-2 pt-1 pb-0.5 t-xs font-semibold text-soft">{headingOf(block, t)}</div>}
            {block.items.map((item) => {
              if (block.kind === "message")
                return (
                  <p key={item.text} className="px-2 py-1">
                    {item.text}
                  </p>
                );
              place++;
              const own = place;
              return (
                <div
                  key={`${item.id ?? item.text}`}
                  id={`${listId}-${own}`}
                  role="option"
                  tabIndex={-1}
                  aria-selected={own === active}
                  onMouseDown={(event) => event.preventDefault()}
                  onMouseEnter={() => setActive(own)}
                  onClick={() => take(block.kind, item)}
                  onKeyDown={() => undefined}
                  className={`flex cursor-pointer items-center gap-2 rounded-shop px-2 py-1 ${own === active ? "bg-press-soft" : ""}`}
                >
                  <Line kind={block.kind} item={item} front={front} />
                </div>
              );
            })}
          </div>
        ))}
      </div>
    </search>
  );
}

function Line({ kind, item, front }: { kind: string; item: Item; front: Front }) {
  const t = useTexts();
  const picture = item.fields?.[roleKey(front, "picture") ?? ""];
  return (
    <>
      {kind === "products" && (
        <span className="size-9 shrink-0 overflow-hidden rounded-shop bg-raised">
          {typeof picture === "string" && <img src={picture} alt="" className="size-full object-cover" />}
        </span>
      )}
      <span className="min-w-0 flex-1 truncate">
        <Marked text={item.text} marks={item.marks ?? []} />
        {kind === "categories" && item.path && item.path.length > 1 && (
          <span className="text-soft"> {t("box.within", { category: item.path.slice(0, -1).join(" › ") })}</span>
        )}
      </span>
      {item.count !== undefined && <span className="t-s text-soft">{count(item.count)}</span>}
      {kind === "products" && item.fields && <ShortPrice front={front} fields={item.fields} />}
    </>
  );
}

const HEADINGS: Record<string, MessageId> = {
  Searches: "box.searches",
  Categories: "box.categories",
  Products: "box.products",
  Guides: "guides.title",
  Departments: "box.departments",
  "Selling well": "box.selling",
  "Try instead": "dead-end.try",
  "You may like": "dead-end.like",
};

/** What a block is called: one of the shop's own messages, or as the merchandiser wrote it. */
function headingOf({ heading }: { heading: string }, t: Say): string {
  if (heading === "") return t("box.message");
  return HEADINGS[heading] ? t(HEADINGS[heading]) : heading;
}

/** A text with what matched in bold. */
export function Marked({ text, marks }: { text: string; marks: readonly (readonly [number, number])[] }) {
  const parts: ReactNode[] = [];
  let end = 0;
  for (const [from, to] of marks) {
    if (from < end) continue;
    parts.push(text.slice(end, from), <b key={from}>{text.slice(from, to)}</b>);
    end = to;
  }
  parts.push(text.slice(end));
  return <>{parts}</>;
}
