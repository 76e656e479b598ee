import type { Filter } from "@core/settings/filter";
import { Line, Lines } from "../pieces/Lines";
import { NumberLine } from "../pieces/NumberLine";
import { useOpen } from "../state/bench";

interface Props {
  filter: Filter;
  onChange: (part: Partial<Filter>) => void;
}

/** With which level of the category tree a filter begins, and with which it ends. */
export function Levels({ filter: { levels }, onChange }: Props) {
  const { front } = useOpen("front");
  const deepest = Math.max(1, ...front.categories.map(({ path }) => path.length));
  const examples = (level: number) =>
    front.categories
      .filter(({ path }) => path.length === level)
      .slice(0, 3)
      .map(({ path }) => path.at(-1))
      .join(", ");
  return (
    <Lines>
      <Line name="Begins with level">
        <NumberLine
          label="First level"
          value={levels.first}
          min={1}
          max={Math.min(deepest, levels.last ?? deepest)}
          onCommit={(first) => onChange({ levels: { ...levels, first } })}
          className="w-10"
        />
        <span className="text-soft">such as {examples(levels.first)}</span>
      </Line>
      <Line name="Ends with level">
        <NumberLine
          label="Last level"
          value={levels.last}
          min={levels.first}
          max={deepest}
          placeholder="all"
          onCommit={(last) => onChange({ levels: { ...levels, last } })}
          onEmpty={() => onChange({ levels: { ...levels, last: null } })}
          className="w-10"
        />
        <span className="text-soft">{levels.last === null ? `all ${deepest} of the tree` : `such as ${examples(levels.last)}`}</span>
      </Line>
    </Lines>
  );
}
