import { type DefaultValues, type FieldValues, type Path, useForm } from "react-hook-form";
import type { z } from "zod";

interface LiveForm<V> {
  /** What the fields show: the draft's value, with what was typed and not taken laid over it. */
  value: V;
  /** Takes members over into the draft, where the schema allows them. @returns whether they were taken. */
  change: (part: Partial<V>) => Promise<boolean>;
  /** Why a member was not taken, or undefined. */
  problemOf: (key: keyof V) => string | undefined;
}

/**
 * An entry of the draft that is edited in place: each field goes to the draft as it is left, and is seen in the shopper window at
 * once. What the schema forbids or the server refuses stays as it was typed, with the reason at its field.
 */
export function useLiveForm<V extends FieldValues>(
  schema: z.ZodType<V>,
  entry: V,
  save: (part: Partial<V>) => Promise<boolean>,
): LiveForm<V> {
  const form = useForm<V>({ values: entry, defaultValues: entry as DefaultValues<V>, resetOptions: { keepDirtyValues: true } });
  const { errors } = form.formState;
  return {
    value: form.watch(),
    async change(part) {
      const keys = Object.keys(part) as Path<V>[];
      for (const key of keys) form.setValue(key, part[key] as never, { shouldDirty: true });
      const issues = schema.safeParse({ ...entry, ...part }).error?.issues ?? [];
      if (issues.length > 0) {
        for (const { path, message } of issues) form.setError((path[0] ?? keys[0]) as Path<V>, { message });
        return false;
      }
      form.clearErrors(keys);
      const isTaken = await save(part);
      for (const key of keys) {
        if (isTaken) form.resetField(key, { defaultValue: part[key] as never });
        else form.setError(key, { message: "Not saved. Change it, or press Enter in it again." });
      }
      return isTaken;
    },
    problemOf: (key) => errors[key]?.message as string | undefined,
  };
}
