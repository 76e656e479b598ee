import { lookUp } from "../../records";
import type { Settings, WordRule } from "../../settings/schema";
import { tokenise } from "../../text/tokens";

/** Something odd about a word rule beside the others, and the rule it is odd beside; null where it is odd in itself. */
interface WordConflict {
  kind: "duplicate" | "loop" | "chain" | "against" | "empty";
  rule: string | null;
  text: string;
}

type Rules = Settings["words"];
const key = (text: string) =>
  tokenise(text)
    .map((token) => token.word)
    .join(" ");

/** The words that a rule is found by, as compared. */
function leftOf(rule: WordRule): string[] {
  return rule.words.map(key).filter(Boolean);
}

function rightOf(rule: WordRule): string[] {
  if (rule.does === "synonym") return leftOf(rule);
  return rule.does === "one-way" || rule.does === "rewrite" ? rule.to.map(key).filter(Boolean) : [];
}

/**
 * What would be odd about a rule beside the others: said twice, leading back to itself, leading on to a rule that does
 * not act (meanings are never chained), or acting against another.
 * @param id the rule's own id, null for one that is new.
 */
export function conflictsOf(rules: Rules, id: string | null, rule: WordRule): WordConflict[] {
  const conflicts: WordConflict[] = [];
  const left = leftOf(rule);
  const right = rightOf(rule);
  if (left.length === 0) return [{ kind: "empty", rule: null, text: "There is no word to find the rule by." }];
  for (const word of left) {
    if (rule.does !== "synonym" && right.includes(word)) conflicts.push({ kind: "loop", rule: null, text: `“${word}” leads to itself.` });
  }
  const byWord = wordsOf(rules);
  const others = new Set(left.flatMap((word) => byWord.left.get(word) ?? []).concat(right.flatMap((word) => byWord.left.get(word) ?? [])));
  for (const other of others)
    if (other !== id && lookUp(rules, other)?.on) conflicts.push(...between(rule, left, right, other, lookUp(rules, other)));
  return conflicts;
}

function between(rule: WordRule, left: string[], right: string[], otherId: string, other: WordRule): WordConflict[] {
  const otherLeft = leftOf(other);
  const otherRight = rightOf(other);
  const shared = left.filter((word) => otherLeft.includes(word));
  const say = (kind: WordConflict["kind"], text: string): WordConflict => ({ kind, rule: otherId, text });
  const found: WordConflict[] = [];
  const isMeaning = (one: WordRule) => one.does === "synonym" || one.does === "one-way";
  if (isMeaning(rule) && isMeaning(other)) {
    const pairs = shared.flatMap((word) => right.filter((to) => to !== word && otherRight.includes(to)).map((to) => [word, to]));
    if (pairs.length > 0) found.push(say("duplicate", `“${pairs[0][0]}” finds “${pairs[0][1]}” already.`));
    else {
      const back = right.filter((word) => otherLeft.includes(word) && otherRight.some((to) => left.includes(to)) && !left.includes(word));
      if (back.length > 0) found.push(say("loop", `“${back[0]}” leads back to “${left[0]}”. Let them mean the same instead.`));
    }
  } else if (rule.does === other.does && shared.length > 0) {
    found.push(say("duplicate", `There is a rule for “${shared[0]}” already.`));
  }
  if (rule.does === "rewrite" && other.does === "rewrite" && found.length === 0) {
    const on = right.find((word) => otherLeft.includes(word));
    if (on) found.push(say("chain", `“${on}” is itself read as “${otherRight[0]}”; a word is read once.`));
  }
  const ignores = rule.does === "ignore" ? rule : other.does === "ignore" ? other : null;
  const means = ignores === rule ? other : rule;
  if (ignores && means.does !== "ignore" && shared.length > 0 && means.does !== "never-offer")
    found.push(say("against", `“${shared[0]}” is ignored by one rule, and ${SAYS[means.does]} by another.`));
  return found;
}

const SAYS: Record<Exclude<WordRule["does"], "ignore" | "never-offer">, string> = {
  synonym: "given a meaning",
  "one-way": "given a meaning",
  phrase: "kept together",
  literal: "never changed",
  rewrite: "read as another word",
  intent: "made to mean a category or value",
};

const memory = new WeakMap<Rules, { left: Map<string, string[]> }>();

/** The rules of each word, made once for each state of the rules. */
function wordsOf(rules: Rules): { left: Map<string, string[]> } {
  const known = memory.get(rules);
  if (known) return known;
  const left = new Map<string, string[]>();
  for (const [id, rule] of Object.entries(rules)) for (const word of leftOf(rule)) left.set(word, [...(left.get(word) ?? []), id]);
  memory.set(rules, { left });
  return { left };
}
