import { lookUp } from "@core/records";
import { BADGE_FIGURES, BADGE_PLACES, BADGE_TONES, Badge } from "@core/settings/page/badge";
import { labelIn } from "@core/settings/ranked";
import { Button } from "@ui/Button";
import { ColourField } from "@ui/ColourField";
import { Segments, Select, TextLine } from "@ui/controls";
import { plural } from "@ui/format";
import { BadgeList } from "../../../shop/card/parts/Badges";
import { ShopRoot } from "../../../shop/ShopRoot";
import { useLiveForm } from "../../forms/useLiveForm";
import { ConditionBuilder } from "../../pieces/conditions/ConditionBuilder";
import { sayCondition } from "../../pieces/conditions/say-condition";
import { FoldingRow } from "../../pieces/FoldingRow";
import { LabelLine, withText } from "../../pieces/LabelLine";
import { Line, Lines } from "../../pieces/Lines";
import { ZonedSpan } from "../../pieces/ZonedSpan";
import { useOpen } from "../../state/bench";
import { changeEntry, removeEntry } from "../edits";

interface Props {
  id: string;
  badge: Badge;
  facts: { meant: number; worn: number } | undefined;
  language: string;
  isOpen: boolean;
  onOpen: () => void;
}

/** A badge as it looks, for which products, and on how many; opened, all that can be said of it. */
export function BadgeRow({ id, badge, facts, language, isOpen, onOpen }: Props) {
  const { live, settings, fields, front } = useOpen("live", "settings", "fields", "front");
  const text = labelIn(badge.text, language, badge.name).replace(/\{([^{}]+)\}/g, (_whole, name: string) => lookUp(SAMPLES, name) ?? "…");
  return (
    <FoldingRow
      id={id}
      name={badge.name}
      label={`Set up ${badge.name}`}
      note={sayCondition(badge.condition, fields, settings.selections)}
      picture={
        <ShopRoot front={front} className="max-w-[200px] !bg-transparent">
          <BadgeList badges={[{ id, text, tone: badge.tone, colour: badge.colour, place: badge.place }]} />
        </ShopRoot>
      }
      isDraft={JSON.stringify(badge) !== JSON.stringify(lookUp(live.page.badges, id))}
      isOpen={isOpen}
      onOpen={onOpen}
      onRemove={() => removeEntry("badges", id)}
      on={badge.on}
      onSwitch={(on) => void changeEntry("badges", id, { on })}
      facts={facts && sayFacts(badge.on, facts)}
    >
      <BadgeForm badge={badge} language={language} onSave={(part) => changeEntry("badges", id, part)} />
    </FoldingRow>
  );
}

/** Figures to show a badge with, where no product is at hand. */
const SAMPLES: Record<string, string> = { discount: "20", left: "3" };

function sayFacts(on: boolean, { meant, worn }: { meant: number; worn: number }): string {
  if (!on) return `Off. ${plural(meant, "product")} would have it.`;
  if (worn < meant) return `On ${plural(worn, "product")}; ${meant - worn} more meet the condition, but show others.`;
  return worn === 0 ? "No product meets the condition." : `On ${plural(worn, "product")}.`;
}

const TONES: Record<Badge["tone"], string> = { press: "accent", loss: "sale", gain: "good", ink: "dark", quiet: "quiet" };
const PLACES: Record<Badge["place"], string> = {
  "picture-start": "left on the picture",
  "picture-end": "right on it",
  text: "among the texts",
};
const ADD = "–";

interface FormProps {
  badge: Badge;
  language: string;
  onSave: (part: Partial<Badge>) => Promise<boolean>;
}

function BadgeForm({ badge: kept, language, onSave }: FormProps) {
  const { fields, store } = useOpen("fields", "store");
  const { value: badge, change: onChange, problemOf } = useLiveForm(Badge, kept, onSave);
  const figures = [
    ...BADGE_FIGURES.map((value) => ({ value, label: value === "discount" ? "reduction in %" : "how many are left" })),
    ...fields.filter(({ shown }) => shown).map(({ key, label }) => ({ value: key, label })),
  ];
  return (
    <Lines wide>
      <Line name="Name" problem={problemOf("name")}>
        <TextLine
          label="Name of the badge"
          value={badge.name}
          onCommit={(name) => name.trim() && onChange({ name: name.trim() })}
          className="w-44"
        />
      </Line>
      <Line name="Text" problem={problemOf("text")}>
        <LabelLine
          label="Text of the badge"
          value={badge.text}
          language={language}
          placeholder="{discount} % off"
          onChange={(text) => onChange({ text })}
          className="min-w-0 flex-1"
        />
        <Select
          label="Add a figure to the text"
          value={ADD}
          options={[{ value: ADD, label: "+ figure" }, ...figures]}
          onChange={(key) =>
            key !== ADD && onChange({ text: withText(badge.text, language, `${lookUp(badge.text, language) ?? ""} {${key}}`) })
          }
          className="w-28"
        />
      </Line>
      <Line name="On products" problem={problemOf("condition")}>
        <div className="min-w-0 flex-1">
          <ConditionBuilder value={badge.condition} onChange={(condition) => onChange({ condition })} />
        </div>
      </Line>
      <Line name="Colour" problem={problemOf("colour")}>
        <Segments
          label="Tone of the badge"
          value={badge.tone}
          options={BADGE_TONES.map((value) => ({ value, label: TONES[value] }))}
          onChange={(tone) => onChange({ tone, colour: null })}
        />
        <ColourField label="A colour of its own" value={badge.colour} onCommit={(colour) => onChange({ colour })} />
        {badge.colour && (
          <Button look="bare" onClick={() => onChange({ colour: null })}>
            As the tone
          </Button>
        )}
      </Line>
      <Line name="Place">
        <Segments
          label="Place of the badge"
          value={badge.place}
          options={BADGE_PLACES.map((value) => ({ value, label: PLACES[value] }))}
          onChange={(place) => onChange({ place })}
        />
      </Line>
      <Line name="Dates" problem={problemOf("until")}>
        <ZonedSpan value={{ from: badge.from, until: badge.until }} timeZone={store.timeZone} onChange={onChange} />
      </Line>
    </Lines>
  );
}
