import { Button } from "@ui/Button";
import { TextInput } from "@ui/controls";
import { z } from "zod";
import { useEntryForm } from "../forms/useEntryForm";

interface Props {
  label: string;
  placeholder: string;
  verb?: string;
  look?: "plain" | "main";
  className?: string;
  /** What is meant when nothing is typed, where that means something. */
  usual?: string;
  /** Takes what was typed, without spaces around it. False, now or later, when it was not taken: then it stays in the field. */
  onAdd: (text: string) => boolean | Promise<boolean>;
}

const Typed = z.object({ text: z.string() });

/** A line in which something is typed to be added. */
export function AddLine({ label, placeholder, verb = "Add", look = "plain", className = "min-w-0 flex-1", usual = "", onAdd }: Props) {
  const form = useEntryForm(Typed, { text: "" });
  const said = form.value.text.trim() || usual;
  const isMissing = said === "";
  const send = form.sendWith(async () => !isMissing && (await onAdd(said)));
  return (
    <form onSubmit={send} className={`flex gap-1.5 ${className}`}>
      <TextInput aria-label={label} placeholder={placeholder} className="flex-1" {...form.register("text")} />
      <Button type="submit" look={look} disabled={isMissing || form.why !== null} title={isMissing ? "Type something first." : undefined}>
        {verb}
      </Button>
    </form>
  );
}
