import { type Bits, emptyBits, fullBits } from "../../index/bits";
import type { Searcher } from "../../prepare/searcher";
import { cleanQuery } from "../clean";
import { interpret } from "../interpret";
import { answerAll, matchUnit } from "./units";

/** The products that answer a word or phrase as a search for it would, without completions and corrections. */
export function answersOf(searcher: Searcher, text: string): Bits {
  const { words } = cleanQuery(text, searcher.stem, searcher.words.literal);
  const { units } = interpret(searcher, words, [], false);
  if (units.length === 0) return emptyBits(searcher.index.products);
  return answerAll(
    units.map((unit) => matchUnit(searcher, unit)),
    fullBits(searcher.index.products),
  );
}
