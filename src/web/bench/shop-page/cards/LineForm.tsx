import { lookUp } from "@core/records";
import { fieldsInText } from "@core/settings/fill-text";
import type { CardPart, CardPartOf } from "@core/settings/page/card";
import { Segments, Select } from "@ui/controls";
import { LabelLine, withText } from "../../pieces/LabelLine";
import { Line, Lines } from "../../pieces/Lines";
import { NumberLine } from "../../pieces/NumberLine";
import { Ticked } from "../../pieces/Ticked";
import { useOpen } from "../../state/bench";

interface Props {
  part: CardPartOf<"line">;
  language: string;
  onChange: (part: CardPart) => void;
}

const ADD = "–";

/** A line of one field or several: what is written around them, and when it is not there. */
export function LineForm({ part, language, onChange }: Props) {
  const { fields } = useOpen("fields");
  const text = lookUp(part.text, language) ?? Object.values(part.text)[0] ?? "";
  const named = fieldsInText(text);
  const unknown = named.filter((key) => !fields.some((field) => field.key === key));
  return (
    <Lines narrow>
      <Line name="What is written">
        <LabelLine
          label="What is written"
          value={part.text}
          language={language}
          placeholder="{height} × {spread} cm"
          onChange={(value) => onChange({ ...part, text: value })}
          className="w-full"
        />
        <Select
          label="Add a field to the line"
          value={ADD}
          options={[
            { value: ADD, label: "+ field" },
            ...fields.filter(({ shown }) => shown).map(({ key, label }) => ({ value: key, label })),
          ]}
          onChange={(key) => key !== ADD && onChange({ ...part, text: withText(part.text, language, `${text} {${key}}`) })}
          className="w-24"
        />
      </Line>
      {unknown.length > 0 && (
        <Line name="">
          <span className="text-[12.5px] text-loss">
            There is no field {unknown.map((key) => `{${key}}`).join(", ")}. Choose one from the list beside.
          </span>
        </Line>
      )}
      <Line name="Label before it">
        <LabelLine
          label="Label before it"
          value={part.label}
          language={language}
          placeholder="none"
          onChange={(label) => onChange({ ...part, label })}
        />
      </Line>
      {named.length > 1 && (
        <Line name="Hidden when">
          <Segments
            label="When the line is not there"
            value={part.hide}
            options={[
              { value: "any", label: "any field is empty" },
              { value: "all", label: "all are" },
            ]}
            onChange={(hide) => onChange({ ...part, hide })}
          />
        </Line>
      )}
      <Line name="Look">
        <Segments
          label="Look of the line"
          value={part.look}
          options={[
            { value: "soft", label: "soft" },
            { value: "plain", label: "plain" },
            { value: "strong", label: "strong" },
          ]}
          onChange={(look) => onChange({ ...part, look })}
        />
        <NumberLine
          label="Lines at most"
          value={part.lines}
          min={1}
          max={6}
          onCommit={(lines) => onChange({ ...part, lines })}
          className="w-10"
        />
        <span className="text-soft">lines at most</span>
      </Line>
      <Line name="Matches">
        <Ticked checked={part.marked} label="Mark the words that matched" onChange={(marked) => onChange({ ...part, marked })}>
          Mark the words that matched
        </Ticked>
      </Line>
    </Lines>
  );
}
