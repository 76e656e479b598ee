import type { ReactNode } from "react";
import { useWindowParts } from "../state/window";

interface Props {
  name: string;
  searches: readonly { text: string; figure: ReactNode }[];
  /** What is said where there is none. */
  none: string;
}

/** Searches with a figure each. A press tries one. */
export function SearchList({ name, searches, none }: Props) {
  const { try: tryOut } = useWindowParts("try");
  return (
    <section aria-label={name} className="text-[13px]">
      <h3 className="border-b border-ink pb-0.5 text-[12px] text-soft">{name}</h3>
      {searches.length === 0 && <p className="py-1 text-soft">{none}</p>}
      <ul>
        {searches.map(({ text, figure }) => (
          <li key={text} className="flex items-baseline gap-2 border-b border-rule py-1">
            <button
              type="button"
              onClick={() => tryOut(text)}
              className="min-w-0 flex-1 truncate text-left hover:text-press"
              title={`Try “${text}”`}
            >
              {text}
            </button>
            <span className="whitespace-nowrap text-soft tabular-nums">{figure}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
