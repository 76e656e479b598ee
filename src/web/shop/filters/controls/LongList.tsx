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
        aria-label={t("Search in {filter}", { filter: filter.label })}
        placeholder={t("Search {n} values", { n: filter.values.length })}
        className="mb-1 h-7 w-full rounded border border-rule bg-paper px-2 text-[13px]"
      />
      {sought === "" ? (
        <Ticks {...props} />
      ) : (
        <div className="max-h-[260px] overflow-auto">
          <TickRows values={[...chosen, ...found.slice(0, MOST)]} isCounted={!filter.uncounted} say={say} onToggle={onToggle} />
          {found.length === 0 && <p className="text-[13px] text-soft">{t("Nothing like “{text}” here.", { text: text.trim() })}</p>}
        </div>
      )}
    </div>
  );
}

/** As people search: case and accents do not matter. */
function fold(text: string): string {
  return text.trim().toLowerCase().normalize("NFD").replace(/\p{M}/gu, "");
}
