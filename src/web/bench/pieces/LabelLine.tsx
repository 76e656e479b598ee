import { lookUp } from "@core/records";
import { Segments, TextLine } from "@ui/controls";
import { useState } from "react";
import { useOpen } from "../state/bench";

type Label = Readonly<Record<string, string>>;

interface Props {
  value: Label;
  language: string;
  label: string;
  placeholder?: string;
  className?: string;
  onChange: (value: Record<string, string>) => void;
}

/** A text in one of the shop's languages; an empty one is taken away. */
export function LabelLine({ value, language, label, placeholder, className = "w-full", onChange }: Props) {
  return (
    <TextLine
      label={label}
      value={lookUp(value, language) ?? ""}
      placeholder={placeholder}
      onCommit={(text) => onChange(withText(value, language, text))}
      className={className}
    />
  );
}

export function withText(value: Label, language: string, text: string): Record<string, string> {
  const { [language]: _was, ...others } = value;
  return text.trim() ? { ...others, [language]: text.trim() } : others;
}

/** The language in which texts are written, and the choice of it where the shop has several. */
export function useLanguage() {
  const { store } = useOpen("store");
  const [language, setLanguage] = useState(store.locale.split("-")[0]);
  const choice = store.languages.length > 1 && (
    <Segments
      label="Language of the texts"
      value={language}
      options={store.languages.map((value) => ({ value, label: value }))}
      onChange={setLanguage}
    />
  );
  return { language, choice };
}
