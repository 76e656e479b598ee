import { zodResolver } from "@hookform/resolvers/zod";
import type { BaseSyntheticEvent } from "react";
import { type DefaultValues, type FieldValues, type Path, type UseFormReturn, useForm } from "react-hook-form";
import type { z } from "zod";
import { useBegun } from "./leave";

export interface EntryForm<V extends FieldValues> extends UseFormReturn<V> {
  /** What is filled in now. */
  value: V;
  /** Why it cannot be sent yet, in words; null when it can. */
  why: string | null;
  /** Sets members of the value; how a control other than a plain field writes. */
  change: (part: Partial<V>) => void;
  /**
   * Sends the form: `send` says whether the value was taken. A refused form stays as it is; one that was taken is `after`
   * again, or as it was at the start, and may be left without a question by `onDone`.
   */
  sendWith: (
    send: (value: V) => Promise<boolean>,
    then?: { after?: V; onDone?: () => void },
  ) => (event?: BaseSyntheticEvent) => Promise<void>;
}

/**
 * An entry that is filled in before it enters the draft: checked by its schema, kept when it is refused, and asked for before
 * it is thrown away. The one pattern of all forms that end in a button.
 */
export function useEntryForm<V extends FieldValues>(schema: z.ZodType<V>, start: V, isNew = true): EntryForm<V> {
  const form = useForm<V, unknown, V>({
    defaultValues: start as DefaultValues<V>,
    // What is sent is what was filled in; the schema says alone whether it may be.
    resolver: zodResolver(schema as z.ZodType<V, V>, undefined, { raw: true }),
  });
  const value = form.watch();
  const { isDirty, isSubmitting } = form.formState;
  const end = useBegun(isDirty);
  const problem = schema.safeParse(value).error?.issues[0]?.message ?? null;
  return {
    ...form,
    value,
    why: isSubmitting ? "Sending …" : !isNew && !isDirty ? "Nothing is changed yet." : problem,
    change(part) {
      for (const [key, entry] of Object.entries(part)) form.setValue(key as Path<V>, entry as never, { shouldDirty: true });
    },
    sendWith: (send, { after = start, onDone } = {}) =>
      form.handleSubmit(async (filled) => {
        if (!(await send(filled))) return;
        form.reset(after);
        end();
        onDone?.();
      }),
  };
}
