import { DEVICES, type Layout } from "@core/settings/page/layout";
import { Segments, TextLine } from "@ui/controls";
import { Line, Lines } from "../../pieces/Lines";
import { NumberLine } from "../../pieces/NumberLine";
import { Ticked } from "../../pieces/Ticked";

interface Props {
  layout: Layout;
  /** Put before the names of the controls, where there are several of these forms. */
  label: string;
  onChange: (part: Partial<Layout>) => void;
}

const NAMES = { phone: "phone", tablet: "tablet", desktop: "desktop" } as const;

/** How results are laid out. */
export function LayoutForm({ layout, label, onChange }: Props) {
  const named = (name: string) => (label ? `${label}: ${name}` : name);
  return (
    <Lines>
      <Line name="Show results as">
        <Segments
          label={named("Show results as")}
          value={layout.as}
          options={[
            { value: "grid", label: "a grid" },
            { value: "list", label: "a list" },
          ]}
          onChange={(as) => onChange({ as })}
        />
        <Ticked checked={layout.mayChange} label={named("Shoppers may change it")} onChange={(mayChange) => onChange({ mayChange })}>
          shoppers may change it
        </Ticked>
      </Line>
      <Line name="Columns">
        {DEVICES.map((device) => (
          <span key={device} className="flex items-center gap-1.5 pr-1 text-soft">
            {NAMES[device]}
            <NumberLine
              label={named(`Columns on a ${device}`)}
              value={layout.columns[device]}
              min={1}
              max={8}
              onCommit={(n) => onChange({ columns: { ...layout.columns, [device]: n } })}
              className="w-10"
            />
          </span>
        ))}
      </Line>
      <Line name="Picture height, px">
        {DEVICES.map((device) => (
          <span key={device} className="flex items-center gap-1 text-soft">
            {NAMES[device]}
            <NumberLine
              label={named(`Picture height on a ${device}`)}
              value={layout.pictures[device]}
              min={40}
              max={900}
              placeholder="ratio"
              onCommit={(height) => onChange({ pictures: { ...layout.pictures, [device]: height } })}
              onEmpty={() => onChange({ pictures: { ...layout.pictures, [device]: null } })}
              className="w-10 !px-1"
            />
          </span>
        ))}
      </Line>
      <Line name="More results come">
        <Segments
          label={named("More results come")}
          value={layout.paging}
          options={[
            { value: "pages", label: "by pages" },
            { value: "more", label: "by a button" },
            { value: "endless", label: "as one scrolls" },
          ]}
          onChange={(paging) => onChange({ paging })}
        />
      </Line>
      <Line name="Per page">
        <NumberLine
          label={named("Products per page")}
          value={layout.perPage}
          min={4}
          max={100}
          onCommit={(perPage) => onChange({ perPage })}
          className="w-12"
        />
        <span className="text-soft">shoppers may choose</span>
        <TextLine
          label={named("Numbers that shoppers may choose from")}
          value={layout.perPageChoices.join(", ")}
          placeholder="none, such as 24, 48"
          onCommit={(text) => {
            const numbers = text
              .split(/[\s,;]+/)
              .map(Number)
              .filter((n) => Number.isInteger(n) && n >= 4 && n <= 100);
            onChange({ perPageChoices: [...new Set(numbers)].sort((a, b) => a - b).slice(0, 6) });
          }}
          className="w-36"
        />
      </Line>
    </Lines>
  );
}
