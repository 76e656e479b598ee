import { useState } from "react";
import { useTexts } from "../../texts";
import type { ValueProps } from "./props";
import { TickRows, Ticks } from "./Ticks";

const MOST = 100;

/** A long list of values with a search of its own; without one it shows the first values. */
export function LongList(props: ValueProps) {
  const { filter, say, onToggle } = props;
  const t = useTexts();
  const [text, setText] = useState("");
  const sought = fold(text);
  const found = filter.values.filter((value) => fold(say(value)).includes(sought));
  const chosen = filter.values.filter((value) => value.selected && !found.includes(value));
  return (
    <div>
      <input
        type="search"
        value={text}
        onChange={(event) => setText(event.target.value)}
        aria-label={t("filters.search", { filter: filter.label })}
        placeholder={t("filters.search-values", { n: filter.values.length })}
        className="mb-1 h-7 w-full rounded-shop border border-rule bg-paper px-2 t-s"
      />
      {sought === "" ? (
        <Ticks {...props} />
      ) : (
        <div className="max-h-[260px] overflow-auto">
          <TickRows values={[...chosen, ...found.slice(0, MOST)]} isCounted={!filter.uncounted} say={say} onToggle={onToggle} />
          {found.length === 0 && <p className="t-s text-soft">{t("filters.nothing-like", { text: text.trim() })}</p>}
        </div>
      )}
    </div>
  );
}

/** As people search: case and accents do not matter. */
function fold(text: string): string {
  return text.trim().toLowerCase().normalize("NFD").replace(/\p{M}/gu, "");
}
