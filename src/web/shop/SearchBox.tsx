import type { SuggestAnswer } from "@core/search/request";
import { count } from "@ui/format";
import { isAborted } from "@ui/http";
import { Search } from "lucide-react";
import { type KeyboardEvent, type ReactNode, useEffect, useId, useRef, useState } from "react";
import { Price } from "./Card";
import { type Front, roleKey, type ShopClient } from "./client";
import { useTexts } from "./texts";

type Item = SuggestAnswer["blocks"][number]["items"][number];

interface Props {
  client: ShopClient;
  front: Front;
  value: string;
  onSearch: (query: string) => void;
  onCategory: (path: string[]) => void;
  onProduct: (id: string) => void;
  onPage: (id: string) => void;
}

const WAIT = 60;

/** The search field with the panel under it; keyboard as in the ARIA combobox pattern. Late answers never replace newer ones. */
export function SearchBox({ client, front, value, onSearch, onCategory, onProduct, onPage }: Props) {
  const t = useTexts();
  const [text, setText] = useState(value);
  const [answer, setAnswer] = useState<SuggestAnswer | null>(null);
  const [isOpen, setOpen] = useState(false);
  const [active, setActive] = useState(-1);
  const listId = useId();
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => setText(value), [value]);
  useEffect(() => {
    if (!isOpen) return;
    const controller = new AbortController();
    const timer = setTimeout(() => {
      client.suggest(text, controller.signal).then(
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
  }, [text, isOpen, client]);

  const blocks = answer?.blocks ?? [];
  const items = blocks.flatMap((block) => (block.kind === "message" ? [] : block.items.map((item) => ({ kind: block.kind, item }))));
  const close = () => {
    setOpen(false);
    input.current?.blur();
  };
  const submit = (query: string) => {
    setText(query);
    close();
    onSearch(query.trim());
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
    <search className="relative block w-full">
      <div className="flex h-10 items-center gap-2 rounded border-[1.5px] border-ink bg-paper px-3 focus-within:border-press">
        <Search className="size-4 shrink-0 text-soft" aria-hidden />
        <input
          ref={input}
          type="text"
          role="combobox"
          aria-label={t("Search the shop")}
          aria-expanded={isOpen && blocks.length > 0}
          aria-controls={listId}
          aria-autocomplete="list"
          aria-activedescendant={active >= 0 ? `${listId}-${active}` : undefined}
          autoComplete="off"
          spellCheck={false}
          placeholder={t("Name, kind or article number")}
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            setOpen(true);
          }}
          onFocus={() => setOpen(true)}
          onBlur={() => setOpen(false)}
          onKeyDown={onKeyDown}
          className="h-full min-w-0 flex-1 bg-transparent text-[16px] outline-none"
        />
        <button
          type="button"
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => submit(text)}
          className="text-[13px] font-semibold text-press"
        >
          {t("Search")}
        </button>
      </div>
      <div
        id={listId}
        role="listbox"
        aria-label={t("Suggestions")}
        className={`absolute inset-x-0 top-[44px] z-40 max-h-[70vh] overflow-auto rounded border border-rule bg-paper p-2 shadow-lg ${isOpen && blocks.length > 0 ? "" : "hidden"}`}
      >
        {blocks.map((block) => (
          <div key={block.id} role="group" aria-label={t(block.heading || "Message")} className="pb-1.5">
            {block.heading && <div className="px-2 pt-1 pb-0.5 text-[12px] font-semibold text-soft">{t(block.heading)}</div>}
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
                  className={`flex cursor-pointer items-center gap-2 rounded px-2 py-1 ${own === active ? "bg-press-soft" : ""}`}
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
  const picture = item.fields?.[roleKey(front, "picture") ?? ""];
  return (
    <>
      {kind === "products" && (
        <span className="size-9 shrink-0 overflow-hidden rounded-[3px] bg-raised">
          {typeof picture === "string" && <img src={picture} alt="" className="size-full object-cover" />}
        </span>
      )}
      <span className="min-w-0 flex-1 truncate">
        <Marked text={item.text} marks={item.marks ?? []} />
        {kind === "categories" && item.path && item.path.length > 1 && (
          <span className="text-soft"> in {item.path.slice(0, -1).join(" › ")}</span>
        )}
      </span>
      {item.count !== undefined && <span className="text-[13px] text-soft">{count(item.count)}</span>}
      {kind === "products" && item.fields && <Price product={{ id: item.id ?? "", title: item.text, fields: item.fields }} front={front} />}
    </>
  );
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
