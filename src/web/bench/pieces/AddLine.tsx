import { Button } from "@ui/Button";
import { TextInput } from "@ui/controls";
import { type FormEvent, useState } from "react";

interface Props {
  label: string;
  placeholder: string;
  verb?: string;
  look?: "plain" | "main";
  className?: string;
  /** Whether what was typed can be added; where it cannot it stays in the field. */
  mayAdd?: (text: string) => boolean;
  /** Takes what was typed, without spaces around it. */
  onAdd: (text: string) => void;
}

/** A line in which something is typed to be added. */
export function AddLine({ label, placeholder, verb = "Add", look = "plain", className = "min-w-0 flex-1", mayAdd, onAdd }: Props) {
  const [text, setText] = useState("");
  const add = (event: FormEvent) => {
    event.preventDefault();
    const said = text.trim();
    if (said === "" || mayAdd?.(said) === false) return;
    onAdd(said);
    setText("");
  };
  return (
    <form onSubmit={add} className={`flex gap-1.5 ${className}`}>
      <TextInput
        aria-label={label}
        value={text}
        onChange={(event) => setText(event.target.value)}
        placeholder={placeholder}
        className="flex-1"
      />
      <Button type="submit" look={look} disabled={text.trim() === ""}>
        {verb}
      </Button>
    </form>
  );
}
