import { ArrowLeft, Mic, Search, X } from "lucide-react";
import type { KeyboardEvent, RefObject } from "react";
import { useTexts } from "../texts";
import { useVoice } from "./useVoice";

interface Props {
  input: RefObject<HTMLInputElement | null>;
  text: string;
  /** What the best completion would add. */
  rest: string;
  isOpen: boolean;
  /** On a phone the open field fills the screen, and has a way back. */
  isFull: boolean;
  listId: string;
  active: number;
  language: string;
  hasVoice: boolean;
  /** The category in which the shopper is, and whether the search stays in it. */
  category: string[] | null;
  isScoped: boolean;
  onScope: (isScoped: boolean) => void;
  onText: (text: string) => void;
  onFocus: () => void;
  onBlur: () => void;
  onKeyDown: (event: KeyboardEvent<HTMLInputElement>) => void;
  onClose: () => void;
  onSubmit: () => void;
  onHear: (text: string) => void;
}

const keepFocus = (event: { preventDefault: () => void }) => event.preventDefault();
const SIGN = "grid size-7 shrink-0 place-items-center rounded-shop text-soft hover:text-ink";

/** The field itself, with the rest of the best completion behind what is typed. */
export function Field({ input, text, rest, isOpen, isFull, listId, active, language, hasVoice, category, isScoped, ...on }: Props) {
  const t = useTexts();
  const voice = useVoice(language, on.onHear);
  return (
    <div
      part="field"
      className="flex h-10 items-center gap-2 rounded-shop border-[1.5px] border-ink bg-paper px-3 focus-within:border-press"
    >
      {isFull ? (
        <button type="button" aria-label={t("box.close")} onClick={on.onClose} className={`-ml-2 ${SIGN}`}>
          <ArrowLeft className="size-5" aria-hidden />
        </button>
      ) : (
        <Search className="size-4 shrink-0 text-soft" aria-hidden />
      )}
      <div className="relative h-full min-w-0 flex-1">
        <span aria-hidden className="pointer-events-none absolute inset-0 flex items-center overflow-hidden whitespace-pre t-m">
          <span className="invisible">{text}</span>
          <span className="text-soft">{rest}</span>
        </span>
        <input
          ref={input}
          type="text"
          role="combobox"
          aria-label={t("box.label")}
          aria-expanded={isOpen}
          aria-controls={listId}
          aria-autocomplete="list"
          aria-activedescendant={active >= 0 ? `${listId}-${active}` : undefined}
          aria-description={rest ? t("box.take", { text: `${text}${rest}` }) : undefined}
          autoComplete="off"
          spellCheck={false}
          enterKeyHint="search"
          placeholder={t("box.placeholder")}
          value={text}
          onChange={(event) => on.onText(event.target.value)}
          onFocus={on.onFocus}
          onBlur={on.onBlur}
          onKeyDown={on.onKeyDown}
          className="relative h-full w-full bg-transparent t-m outline-none"
        />
      </div>
      {category && (
        <label className="t-xs flex items-center gap-1 whitespace-nowrap text-soft">
          <input type="checkbox" checked={isScoped} onChange={(event) => on.onScope(event.target.checked)} className="accent-(--press)" />
          {t("box.scope", { category: category.at(-1) ?? "" })}
        </label>
      )}
      {text !== "" && (
        <button type="button" aria-label={t("box.clear")} onMouseDown={keepFocus} onClick={() => on.onText("")} className={SIGN}>
          <X className="size-4" aria-hidden />
        </button>
      )}
      {hasVoice && voice && (
        <button
          type="button"
          aria-label={t("box.speak")}
          aria-pressed={voice.isListening}
          onMouseDown={keepFocus}
          onClick={voice.toggle}
          className={`${SIGN} aria-pressed:text-loss`}
        >
          <Mic className="size-4" aria-hidden />
        </button>
      )}
      <button type="button" onMouseDown={keepFocus} onClick={on.onSubmit} className="t-s font-semibold text-press">
        {t("box.search")}
      </button>
    </div>
  );
}
