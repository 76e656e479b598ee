import { lookUp } from "@core/records";
import { TextInput } from "@ui/controls";
import { Check } from "lucide-react";
import { useId, useRef, useState } from "react";
import { ShortPrice } from "../../shop/card/ShortPrice";
import { roleKey } from "../../shop/client";
import { useFact } from "../ask/useAsk";
import { useOpen } from "../state/bench";

const MOST = 8;

interface Props {
  label: string;
  placeholder?: string;
  /** Where several are gathered, those that are: picking one of them again lets it go, and the list stays open. */
  picked?: readonly string[];
  /** Hidden and sold-out products are found as well, wherever they may stand. */
  everything?: boolean;
  onPick: (product: { id: string; title: string }) => void;
}

/** What a search of the store finds, or of the whole catalogue. */
function useFound(text: string, everything: boolean): { id: string; title: string; fields: Record<string, unknown> }[] {
  const { front } = useOpen("front");
  const question = text.trim() === "" ? null : text;
  const found = useFact(
    "POST /api/stores/{store}/search",
    question === null || everything ? null : { body: { query: question, limit: MOST } },
  );
  const all = useFact(
    "POST /api/stores/{store}/products/table",
    question === null || !everything ? null : { body: { search: question, limit: MOST } },
  );
  const title = roleKey(front, "title") ?? "";
  const rows = all?.rows.map(({ id, values }) => ({ id, title: String(lookUp(values, title) ?? id), fields: values }));
  return rows ?? found?.hits ?? [];
}

/** Finds a product with the store's own search, by name or article number. */
export function ProductPicker({ label, placeholder = "Name or article number", picked, everything = false, onPick }: Props) {
  const { front } = useOpen("front");
  const [text, setText] = useState("");
  const [isClosed, setClosed] = useState(false);
  const [active, setActive] = useState(0);
  const listId = useId();
  const closing = useRef(0);
  const found = useFound(text, everything);
  const hits = isClosed ? [] : found;
  const pick = (place: number) => {
    const hit = hits[place];
    if (!hit) return;
    if (!picked) setText("");
    onPick({ id: hit.id, title: hit.title });
  };
  return (
    <div className="relative">
      <TextInput
        role="combobox"
        aria-label={label}
        aria-expanded={hits.length > 0}
        aria-controls={listId}
        aria-activedescendant={hits.length > 0 ? `${listId}-${active}` : undefined}
        value={text}
        placeholder={placeholder}
        onChange={(event) => {
          setText(event.target.value);
          setActive(0);
          setClosed(false);
        }}
        onKeyDown={(event) => {
          if (event.key === "ArrowDown" || event.key === "ArrowUp") {
            event.preventDefault();
            setActive((place) => Math.min(hits.length - 1, Math.max(0, place + (event.key === "ArrowDown" ? 1 : -1))));
          }
          if (event.key === "Enter") {
            event.preventDefault();
            pick(active);
          }
          if (event.key === "Escape") setText("");
        }}
        onFocus={() => {
          // Whoever comes back at once finds it open.
          clearTimeout(closing.current);
          setClosed(false);
        }}
        onBlur={() => {
          closing.current = window.setTimeout(() => setClosed(true), 150);
        }}
        className="w-full"
      />
      <div
        id={listId}
        role="listbox"
        aria-label="Products"
        aria-multiselectable={picked ? true : undefined}
        className={`absolute inset-x-0 top-8 z-40 rounded border border-rule bg-raised p-1 shadow-lg ${hits.length > 0 ? "" : "hidden"}`}
      >
        {hits.map((hit, i) => {
          const picture = lookUp(hit.fields, roleKey(front, "picture") ?? "");
          return (
            <div
              key={hit.id}
              id={`${listId}-${i}`}
              role="option"
              tabIndex={-1}
              aria-selected={picked ? picked.includes(hit.id) : i === active}
              onMouseDown={(event) => event.preventDefault()}
              onMouseEnter={() => setActive(i)}
              onClick={() => pick(i)}
              onKeyDown={() => undefined}
              className={`flex cursor-pointer items-center gap-2 rounded px-1.5 py-1 text-[13px] ${i === active ? "bg-press-soft" : ""}`}
            >
              {picked && <Check className={`size-3.5 shrink-0 text-press ${picked.includes(hit.id) ? "" : "invisible"}`} aria-hidden />}
              <span className="size-7 shrink-0 overflow-hidden rounded-[3px] bg-paper">
                {typeof picture === "string" && <img src={picture} alt="" className="size-full object-cover" />}
              </span>
              <span className="min-w-0 flex-1 truncate">{hit.title}</span>
              <ShortPrice fields={hit.fields} front={front} />
            </div>
          );
        })}
      </div>
    </div>
  );
}
