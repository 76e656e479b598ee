import type { Filter } from "@core/settings/filter";
import { Segments, TextLine } from "@ui/controls";
import { LabelLine } from "../pieces/LabelLine";
import { Line, Lines } from "../pieces/Lines";

interface Props {
  filter: Filter;
  language: string;
  isNumbers: boolean;
  onChange: (part: Partial<Filter>) => void;
}

/** Open or folded, with counts or without, and what is under the name. */
export function Shown({ filter: { shown, display }, language, isNumbers, onChange }: Props) {
  const set = (part: Partial<Filter["shown"]>) => onChange({ shown: { ...shown, ...part } });
  return (
    <Lines>
      <Line name="At first">
        <Segments
          label="At first"
          value={shown.open ? "open" : "folded"}
          options={[
            { value: "open", label: "open" },
            { value: "folded", label: "folded, its name opens it" },
          ]}
          onChange={(value) => set({ open: value === "open" })}
        />
      </Line>
      <Line name="Numbers of products">
        <ShownOrNot label="Numbers of products" isShown={shown.counts} onChange={(counts) => set({ counts })} />
      </Line>
      {!isNumbers && (
        <>
          <Line name="Options with no results">
            <Segments
              label="Options with no results"
              value={shown.empty}
              options={[
                { value: "hidden", label: "goes away" },
                { value: "grey", label: "stays, in grey" },
              ]}
              onChange={(empty) => set({ empty })}
            />
          </Line>
          {display === "ticks" && (
            <Line name="“All” above the values">
              <ShownOrNot label="“All” above the values" isShown={shown.all} onChange={(all) => set({ all })} />
            </Line>
          )}
          <Line name="Values before “more”">
            <TextLine
              key={shown.first}
              label="Values before “more”"
              inputMode="numeric"
              value={String(shown.first)}
              onCommit={(text) => {
                const first = Math.round(Number(text));
                if (first >= 1 && first <= 200) set({ first });
              }}
              className="w-14"
            />
          </Line>
        </>
      )}
      <Line name="Help under the name">
        <LabelLine
          label="Help under the name"
          value={shown.help}
          language={language}
          placeholder="such as: measured from the soil to the tip"
          onChange={(help) => set({ help })}
        />
      </Line>
    </Lines>
  );
}

function ShownOrNot({ label, isShown, onChange }: { label: string; isShown: boolean; onChange: (isShown: boolean) => void }) {
  return (
    <Segments
      label={label}
      value={isShown ? "shown" : "hidden"}
      options={[
        { value: "shown", label: "shown" },
        { value: "hidden", label: "not shown" },
      ]}
      onChange={(value) => onChange(value === "shown")}
    />
  );
}
