import { z } from "zod";
import { lookUp } from "../records";

/** Kinds of word rules that were renamed: a former name is read for ever, and written as the present one. */
const PRESENT_NAMES: Readonly<Record<string, string>> = {
  same: "synonym",
  also: "one-way",
  read: "rewrite",
  stand: "intent",
  together: "phrase",
};

/** The present name of a kind of word rule. */
export function presentKind(name: string): string {
  return Object.hasOwn(PRESENT_NAMES, name) ? lookUp(PRESENT_NAMES, name) : name;
}

/** The name of a choice, also read by the name that it had before. */
export function renamed<const Name extends string, const Former extends string>(name: Name, former: Former): Renamed<Name, Former> {
  const read = z.literal<string[]>([name, former]).transform<string>(() => name);
  // What a transformation gives is not followed through a type of its own: the literal after it says it.
  return read.pipe(z.literal<string>(name)) as unknown as Renamed<Name, Former>;
}

type Renamed<Name extends string, Former extends string> = z.ZodPipe<
  z.ZodPipe<z.ZodLiteral<Name | Former>, z.ZodTransform<Name, Name | Former>>,
  z.ZodLiteral<Name>
>;
