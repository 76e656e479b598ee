import type { SuggestAnswer } from "@contract/search";
import { isAborted } from "@ui/http";
import { startTransition, useEffect, useRef, useState } from "react";
import type { ShopClient, Suggesting } from "../client";
import { AnswerMemory } from "./answer-memory";

/** How long is waited for the next letter, in ms. */
const WAIT = 40;

/** What is known of a client's answers; a client is of one state of the shop. */
const memories = new WeakMap<ShopClient, AnswerMemory>();
function memoryOf(client: ShopClient): AnswerMemory {
  const memory = memories.get(client) ?? new AnswerMemory();
  memories.set(client, memory);
  return memory;
}

/** An answer with the text that it answers. */
export interface Suggested {
  query: string;
  answer: SuggestAnswer;
}

/**
 * What the panel shows for what is typed. The last answer stays until the next is there; one that comes late never replaces
 * one to a later question.
 * @param isWanted whether the panel is open.
 */
export function useSuggest(client: ShopClient, asked: Suggesting, isWanted: boolean): Suggested | null {
  const [shown, setShown] = useState<Suggested | null>(null);
  const question = JSON.stringify(asked);
  const number = useRef(0);
  const newest = useRef(0);
  const latest = useRef(asked);
  latest.current = asked;
  useEffect(() => {
    if (!isWanted) return;
    const own = ++number.current;
    const memory = memoryOf(client);
    const { query } = latest.current;
    const take = (answer: SuggestAnswer | null) => {
      if (own < newest.current) return;
      newest.current = own;
      // Drawn in slices, so that a letter typed meanwhile does not wait for it.
      startTransition(() => setShown(answer && { query, answer }));
    };
    const known = memory.get(question, Date.now());
    if (known) return take(known);
    const controller = new AbortController();
    const timer = setTimeout(() => {
      client.suggest(latest.current, controller.signal).then(
        (answer) => {
          memory.put(question, answer, Date.now());
          take(answer);
        },
        (error) => {
          if (!isAborted(error)) take(null);
        },
      );
    }, WAIT);
    return () => {
      clearTimeout(timer);
      controller.abort();
    };
  }, [question, client, isWanted]);
  return shown;
}
