import type { ShopFront } from "@contract/search";
import type { SuggestedBlock } from "@core/suggest/request";
import {
  type ComponentType,
  type CSSProperties,
  type KeyboardEvent,
  lazy,
  Suspense,
  useCallback,
  useEffect,
  useId,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from "react";
import type { ShopClient } from "../client";
import { useTexts } from "../texts";
import { type Entry, entriesOf, restOf, stepTo, withRecent } from "./entries";
import { Field } from "./Field";
import type { PanelProps } from "./Panel";
import { useRecent } from "./recent";
import { useNarrow } from "./useNarrow";
import { useSuggest } from "./useSuggest";

const loadPanel = () => import("./Panel");
const UsualPanel = lazy(loadPanel);

/** Where the panel is not a shop's own: held open, and drawn with more around it. */
export interface Editing {
  isNarrow: boolean;
  panel: ComponentType<PanelProps & { typed: string }>;
  /** Searches that a shopper is said to have made before. */
  recent: readonly string[];
  onText: (text: string) => void;
}

interface SearchBoxProps {
  client: ShopClient;
  front: ShopFront;
  value: string;
  /** The category in which the shopper is; the search can be kept in it. */
  category?: string[] | null;
  /** The category, and the selection, to which the box is limited whatever is searched. */
  limit?: string[] | null;
  within?: string | null;
  /** What a panel that is as wide as the page is as wide as; the shop's root when left out. */
  page?: () => DOMRect;
  stage?: Editing;
  /** @param within the category to which the search is limited. @param choice a value chosen in a filter. */
  onSearch: (query: string, within: string[] | null, choice?: { id: string; value: string }) => void;
  onCategory: (path: string[]) => void;
  /** @param option the one that is shown of it. */
  onProduct: (id: string, option?: string) => void;
  onPage: (id: string) => void;
}

/** How long a search with a digit in it waits to hear whether it is an article number, in ms. */
const MOST_WAIT = 600;

/** The search field with the panel under it; keyboard as in the ARIA combobox pattern. */
export function SearchBox({ client, front, value, category = null, limit = null, within = null, page, stage, ...on }: SearchBoxProps) {
  const t = useTexts();
  const [text, setText] = useState(value);
  // What the shopper said of it; until then as the shop has it.
  const [mayScope, setScoped] = useState<boolean | null>(null);
  const isScoped = mayScope ?? front.box.scoped;
  const [isTurnedOn, setOpen] = useState(false);
  const [active, setActive] = useState(-1);
  const [unfolded, setUnfolded] = useState<string[]>([]);
  const [wide, setWide] = useState<CSSProperties>({});
  const listId = useId();
  const box = useRef<HTMLElement>(null);
  const input = useRef<HTMLInputElement>(null);
  const isPhone = useNarrow(!stage);
  const stored = useRecent(front.id);
  const recent = stage?.recent ?? stored.texts;
  useEffect(() => setText(value), [value]);
  const isOpen = isTurnedOn || stage !== undefined;
  const isNarrow = stage?.isNarrow ?? isPhone;
  const isFull = isNarrow && isTurnedOn;
  const scope = (isScoped && category) || limit;
  const suggested = useSuggest(client, { query: text, category: scope, within, unfold: unfolded }, isOpen);
  const { query: answered = "", answer = null } = suggested ?? {};
  const blocks = useMemo<SuggestedBlock[]>(
    () => (answer ? withRecent(answer, recent, answered, unfolded) : []),
    [answer, answered, recent, unfolded],
  );
  const entries = useMemo(() => entriesOf(blocks, unfolded, answer?.total ?? null), [blocks, unfolded, answer]);
  // What was active is not, once other entries are there.
  const listed = `${answer?.moment} ${answered}`;
  const [activeIn, setActiveIn] = useState(listed);
  if (activeIn !== listed) {
    setActiveIn(listed);
    setActive(-1);
  }
  const rest = front.box.finish && answer ? restOf(text, answer.completion) : "";
  const hasPanel = isOpen && (blocks.length > 0 || stage !== undefined);

  useEffect(() => {
    if (active >= 0) box.current?.querySelector(`[id="${listId}-${active}"]`)?.scrollIntoView({ block: "nearest" });
  }, [active, listId]);

  const isStaged = stage !== undefined;
  useLayoutEffect(() => {
    if (isStaged) setWide(front.box.anchor === "page" && !isNarrow ? { ...spanOf(box.current, page), position: "relative" } : {});
  }, [isStaged, front.box.anchor, isNarrow, page]);

  const open = () => {
    void loadPanel();
    if (front.box.anchor === "page") setWide(spanOf(box.current, page));
    setOpen(true);
  };
  const close = () => {
    setOpen(false);
    setUnfolded([]);
    input.current?.blur();
  };
  /** A whole article number means its product. */
  const productOf = (query: string): Promise<string | undefined> => {
    if (!/\d/.test(query)) return Promise.resolve(undefined);
    if (answer && answered.trim() === query.trim()) return Promise.resolve(answer.product);
    return client
      .suggest({ query, category: scope, within, unfold: [] }, AbortSignal.timeout(MOST_WAIT))
      .then(({ product }) => product)
      .catch(() => undefined);
  };
  const submit = (query: string, choice?: { id: string; value: string }, within = scope) => {
    setText(query);
    if (!stage) stored.remember(query);
    close();
    if (choice || within !== scope) return on.onSearch(query.trim(), within, choice);
    void productOf(query).then((product) => (product ? on.onProduct(product) : on.onSearch(query.trim(), scope)));
  };
  const take = (entry: Entry) => {
    if (entry.does === "unfold") return setUnfolded((ids) => [...ids, entry.block.id]);
    if (entry.does === "fold") return setUnfolded((ids) => ids.filter((id) => id !== entry.block.id));
    if (entry.does === "all") return submit(text);
    const { block, item } = entry;
    if (item.own) client.take(item.own);
    if (block.kind === "products" && item.id) on.onProduct(item.id, item.variant);
    // While one types, a category is one of those in which the search finds something: it is searched there.
    else if (block.kind === "categories" && item.path && answer?.moment === "typing") return submit(text, undefined, item.path);
    else if (block.kind === "categories" && item.path) on.onCategory(item.path);
    else if (block.kind === "pages" && item.id) on.onPage(item.id);
    else if (block.kind === "values" && item.filter) return submit(text, item.filter);
    else return submit(item.text);
    close();
  };
  // The same for every drawing, so that a letter draws the field alone.
  const latestTake = useRef(take);
  latestTake.current = take;
  const takeLatest = useCallback((entry: Entry) => latestTake.current(entry), []);
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    const entry = entries[active];
    if (event.key === "ArrowDown" || event.key === "ArrowUp") {
      event.preventDefault();
      setOpen(true);
      setActive(stepTo(active, event.key === "ArrowDown" ? 1 : -1, entries.length));
    } else if (event.key === "ArrowRight" && rest && event.currentTarget.selectionEnd === text.length) {
      event.preventDefault();
      setText(text + rest);
    } else if (event.key === "Delete" && entry?.does === "take" && entry.block.kind === "recent") {
      event.preventDefault();
      stored.forget(entry.item.text);
    } else if (event.key === "Enter") {
      event.preventDefault();
      if (entry) take(entry);
      else submit(text);
    } else if (event.key === "Escape") {
      if (isTurnedOn) close();
      else setText("");
    }
  };
  const Panel = stage?.panel ?? UsualPanel;
  return (
    <search
      ref={box}
      part="search-box"
      className={isFull ? "fixed inset-0 z-50 flex flex-col bg-paper p-3" : "relative block min-h-10 w-full"}
    >
      <Field
        input={input}
        text={text}
        rest={rest}
        isOpen={hasPanel}
        isFull={isFull}
        listId={listId}
        active={active}
        language={front.language}
        hasVoice={front.box.voice}
        category={category}
        isScoped={isScoped}
        onScope={setScoped}
        onText={(next) => {
          setText(next);
          stage?.onText(next);
          setUnfolded([]);
          setOpen(true);
        }}
        onFocus={open}
        onBlur={() => isNarrow || setOpen(false)}
        onKeyDown={onKeyDown}
        onClose={close}
        onSubmit={() => submit(text)}
        onHear={(said) => {
          setText(said);
          submit(said);
        }}
      />
      <div
        id={listId}
        part="panel"
        // Where it is worked on, each block is a list of its own, between the handles.
        {...{ role: stage ? "group" : "listbox", "aria-label": t("box.suggestions") }}
        style={isFull ? undefined : wide}
        className={`${hasPanel ? "" : "hidden"} ${
          isFull
            ? "min-h-0 flex-1 overflow-auto pt-2"
            : `${stage ? "mt-1.5" : "absolute inset-x-0 top-[44px] max-h-[76vh]"} z-40 overflow-auto rounded-shop border border-rule bg-paper p-2 shadow-lg`
        }`}
      >
        {answer && (
          <Suspense fallback={null}>
            <Panel
              typed={answered}
              answer={answer}
              blocks={blocks}
              isNarrow={isNarrow}
              front={front}
              listId={listId}
              entries={entries}
              active={active}
              setActive={setActive}
              take={takeLatest}
              forget={stored.forget}
            />
          </Suspense>
        )}
      </div>
      <span role="status" className="sr-only">
        {hasPanel && isTurnedOn ? t("box.found", { n: entries.length }) : ""}
      </span>
    </search>
  );
}

const MARGIN = 12;
const WIDEST = 1180;

/** Where a panel stands that is as wide as the page, beside the field. */
function spanOf(box: HTMLElement | null, page?: () => DOMRect): CSSProperties {
  const own = box?.getBoundingClientRect();
  const whole = page?.() ?? box?.closest(".shop")?.getBoundingClientRect();
  if (!own || !whole) return {};
  const width = Math.min(whole.width - 2 * MARGIN, WIDEST);
  return { left: whole.left + (whole.width - width) / 2 - own.left, right: "auto", width };
}
