import { type CardPart, type CardPartOf, PICTURE_RATIOS } from "@core/settings/page/card";
import { Segments, Select } from "@ui/controls";
import { Line, Lines } from "../../pieces/Lines";
import { NumberLine } from "../../pieces/NumberLine";
import { Ticked } from "../../pieces/Ticked";
import { useOpen } from "../../state/bench";
import { LineForm } from "./LineForm";

interface Props {
  part: CardPart;
  language: string;
  onChange: (part: CardPart) => void;
}

const NONE = "–";

/** All that can be said of a part. */
export function PartForm({ part, language, onChange }: Props) {
  switch (part.kind) {
    case "picture":
      return <PictureForm part={part} onChange={onChange} />;
    case "title":
      return (
        <Lines narrow>
          <Line name="Lines at most">
            <NumberLine label="Lines of the title" value={part.lines} min={1} max={6} onCommit={(lines) => onChange({ ...part, lines })} />
          </Line>
          <Line name="Matches">
            <Ticked checked={part.marked} label="Mark the words that matched" onChange={(marked) => onChange({ ...part, marked })} />
          </Line>
        </Lines>
      );
    case "price":
      return <PriceForm part={part} onChange={onChange} />;
    case "rating":
      return <Ticked checked={part.count} label="With the number of ratings" onChange={(count) => onChange({ ...part, count })} />;
    case "line":
      return <LineForm part={part} language={language} onChange={onChange} />;
    case "options":
      return <OptionsForm part={part} onChange={onChange} />;
    case "stock":
      return (
        <Lines narrow>
          <Line name="“Only n left”">
            up to
            <NumberLine label="Few left" value={part.few} min={0} max={1000} onCommit={(few) => onChange({ ...part, few })} />
          </Line>
          <Line name="In stock">
            <Ticked checked={part.always} label="Say so too" onChange={(always) => onChange({ ...part, always })} />
          </Line>
        </Lines>
      );
    case "badges":
      return <p className="text-[12.5px] text-soft">Badges placed “among the texts” are shown here. Make them under Badges.</p>;
    case "actions":
      return <ActionsForm part={part} onChange={onChange} />;
  }
}

interface FormProps<K extends CardPart["kind"]> {
  part: CardPartOf<K>;
  onChange: (part: CardPart) => void;
}

function PictureForm({ part, onChange }: FormProps<"picture">) {
  const { fields } = useOpen("fields");
  const pictures = fields.filter(({ role, type, key }) => role === "picture" || (type === "text" && /image|picture|photo|bild/i.test(key)));
  return (
    <Lines narrow>
      <Line name="Ratio">
        <Segments
          label="Ratio of the picture"
          value={part.ratio}
          options={PICTURE_RATIOS.map((value) => ({ value, label: value.replace("/", " : ") }))}
          onChange={(ratio) => onChange({ ...part, ratio })}
        />
      </Line>
      <Line name="Fills its place">
        <Segments
          label="How the picture fills its place"
          value={part.fit}
          options={[
            { value: "fill", label: "cut to fill" },
            { value: "whole", label: "shown whole" },
          ]}
          onChange={(fit) => onChange({ ...part, fit })}
        />
      </Line>
      <Line name="Under the pointer">
        <Select
          label="Second picture under the pointer"
          value={part.hover ?? NONE}
          options={[{ value: NONE, label: "the same picture" }, ...pictures.map(({ key, label }) => ({ value: key, label }))]}
          onChange={(key) => onChange({ ...part, hover: key === NONE ? null : key })}
          className="w-44"
        />
      </Line>
    </Lines>
  );
}

function PriceForm({ part, onChange }: FormProps<"price">) {
  const { fields, front } = useOpen("fields", "front");
  const contents = front.fields.filter(({ type, unit, role }) => type === "number" && unit && role === "attribute");
  const unit = contents.find(({ key }) => key === part.per?.field)?.unit;
  return (
    <Lines narrow>
      <Line name="“from”">
        <Ticked checked={part.from} label="Where options cost differently" onChange={(from) => onChange({ ...part, from })} />
      </Line>
      <Line name="Old price">
        <Ticked checked={part.before} label="Struck through beside a reduced one" onChange={(before) => onChange({ ...part, before })} />
      </Line>
      <Line name="For an amount">
        <Select
          label="Field that says how much is in it"
          value={part.per?.field ?? NONE}
          options={[
            { value: NONE, label: "not shown" },
            ...contents.map(({ key }) => ({ value: key, label: `by ${fields.find((field) => field.key === key)?.label ?? key}` })),
          ]}
          onChange={(key) => onChange({ ...part, per: key === NONE ? null : { field: key, amount: part.per?.amount ?? 1 } })}
          className="w-44"
        />
        {part.per && (
          <>
            per
            <NumberLine
              label="Amount the price is given for"
              value={part.per.amount}
              min={0.001}
              max={100_000}
              onCommit={(amount) => part.per && onChange({ ...part, per: { ...part.per, amount } })}
            />
            {unit}
          </>
        )}
      </Line>
    </Lines>
  );
}

function OptionsForm({ part, onChange }: FormProps<"options">) {
  const { front } = useOpen("front");
  const fields = front.fields.filter(({ perOption, role }) => perOption && role === "attribute");
  return (
    <Lines narrow>
      <Line name="They differ in">
        <Select
          label="Field in which options differ"
          value={part.field}
          options={fields.map(({ key, label }) => ({ value: key, label }))}
          onChange={(field) => onChange({ ...part, field })}
          className="w-44"
        />
      </Line>
      <Line name="Shown as">
        <Segments
          label="How options are shown"
          value={part.as}
          options={[
            { value: "swatches", label: "colours" },
            { value: "buttons", label: "buttons" },
            { value: "count", label: "how many" },
          ]}
          onChange={(as) => onChange({ ...part, as })}
        />
      </Line>
      {part.as !== "count" && (
        <Line name="At most">
          <NumberLine label="Options on a card" value={part.most} min={1} max={20} onCommit={(most) => onChange({ ...part, most })} />
        </Line>
      )}
    </Lines>
  );
}

const ACTIONS = [
  { does: "basket", name: "Put in the basket" },
  { does: "remember", name: "Save for later" },
  { does: "compare", name: "Compare" },
] as const;

function ActionsForm({ part, onChange }: FormProps<"actions">) {
  return (
    <div className="flex flex-col gap-1.5">
      {ACTIONS.map(({ does, name }) => (
        <Ticked
          key={does}
          checked={part.does.includes(does)}
          label={name}
          onChange={(isIn) => {
            const next = isIn ? [...part.does, does] : part.does.filter((entry) => entry !== does);
            // A part without any button is no part: it is removed as a whole.
            if (next.length > 0) onChange({ ...part, does: next });
          }}
        />
      ))}
      {part.does.includes("basket") && (
        <Ticked checked={part.amount} label="Shoppers say how many" onChange={(amount) => onChange({ ...part, amount })} />
      )}
    </div>
  );
}
