import { Button } from "@ui/Button";
import { type ReactNode, useId } from "react";
import type { FieldValues } from "react-hook-form";
import { useLeaving } from "./leave";
import type { EntryForm } from "./useEntryForm";

interface Props<V extends FieldValues> {
  form: EntryForm<V>;
  /** What the form is, for those who listen. */
  label: string;
  /** What its button does. */
  verb: string;
  /** Sends it; see EntryForm.sendWith. */
  onSubmit: (event: React.FormEvent) => void;
  /** Leaves it; none where it always stands there. */
  onCancel?: () => void;
  /** Why it cannot be sent, beyond what its schema knows. */
  barred?: string | null;
  /** What is known of it once it can be sent, such as its reach. */
  status?: ReactNode;
  /** Within something that has a frame already. */
  isInset?: boolean;
  children: ReactNode;
  /** What it would do. */
  trial?: ReactNode;
}

/** What every rule has that is filled in before it enters the draft: its fields, why it cannot be sent yet, its buttons, its trial. */
export function EntryShell<V extends FieldValues>({
  form,
  label,
  verb,
  onSubmit,
  onCancel,
  barred = null,
  status,
  isInset = false,
  children,
  trial,
}: Props<V>) {
  const id = useId();
  const why = barred ?? form.why;
  return (
    <form
      aria-label={label}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (why === null) onSubmit(event);
      }}
      className={`text-[13px] ${isInset ? "my-2 border-l-2 border-press pl-3" : "border-y border-rule py-3"}`}
    >
      {children}
      <div className="mt-2 flex items-center gap-2">
        <p id={id} role="status" className={`min-w-0 flex-1 text-[12.5px] leading-4 ${barred ? "font-semibold text-loss" : ""}`}>
          {why === null ? status : <span className={barred ? "" : "text-soft"}>{why}</span>}
        </p>
        {onCancel && (
          <Button look="bare" onClick={() => useLeaving.getState().leave(onCancel)}>
            Cancel
          </Button>
        )}
        <Button look="main" type="submit" disabled={why !== null} aria-describedby={id}>
          {verb}
        </Button>
      </div>
      {trial}
    </form>
  );
}
