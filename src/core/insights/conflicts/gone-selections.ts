import type { Condition } from "../../settings/condition";
import type { Settings, Shelf } from "../../settings/schema";
import { selectionsIn } from "../../settings/selection-levels";
import { type Conflict, conflict, type RuleName } from "./conflict";

/** Rules that name a selection which there is not, as settings brought from elsewhere may: they name no product by it. */
export function* goneSelections({ selections, hides, boosts, shelves, words }: Settings): Generator<Conflict | null> {
  const named: [RuleName, string[]][] = [
    ...Object.entries(hides).map(([id, { condition }]): [RuleName, string[]] => [{ part: "hides", id }, within(condition)]),
    ...Object.entries(boosts).map(([id, { condition }]): [RuleName, string[]] => [{ part: "boosts", id }, within(condition)]),
    ...Object.entries(shelves).map(([id, shelf]): [RuleName, string[]] => [{ part: "shelves", id }, ofShelf(shelf)]),
    ...Object.entries(words).map(([id, rule]): [RuleName, string[]] => [
      { part: "words", id },
      rule.does === "intent" && "selection" in rule.target ? [rule.target.selection] : [],
    ]),
  ];
  for (const [rule, ids] of named) {
    const gone = [...new Set(ids)].filter((id) => !Object.hasOwn(selections, id));
    if (gone.length > 0) yield conflict("selection-gone", rule, { about: gone.join(", ") });
    yield null;
  }
}

const within = (condition: Condition | undefined): string[] => (condition ? selectionsIn(condition) : []);

const ofShelf = ({ addSelections, rules }: Shelf): string[] => [
  ...addSelections,
  ...Object.values(rules).flatMap(({ condition }) => selectionsIn(condition)),
];
