import type { SuggestAnswer } from "@contract/search";

const MOST = 80;
/** How long an answer is as good as new, in ms. */
const FRESH = 60_000;

/** Answers that were given lately, by their question: going back a letter asks nothing anew. */
export class AnswerMemory {
  private readonly kept = new Map<string, { answer: SuggestAnswer; at: number }>();

  get(question: string, now: number): SuggestAnswer | null {
    const known = this.kept.get(question);
    if (!known || now - known.at > FRESH) return null;
    return known.answer;
  }

  put(question: string, answer: SuggestAnswer, now: number): void {
    this.kept.delete(question);
    this.kept.set(question, { answer, at: now });
    if (this.kept.size > MOST) this.kept.delete([...this.kept.keys()][0]);
  }
}
