import { BADGE_FIGURES, BADGE_PLACES, BADGE_TONES, type Badge } from "@core/settings/page/badge";
import { labelIn } from "@core/settings/ranked";
import { Button, IconButton } from "@ui/Button";
import { ColourField } from "@ui/ColourField";
import { Segments, Select, TextLine, Toggle } from "@ui/controls";
import { plural } from "@ui/format";
import { ChevronDown, Trash2 } from "lucide-react";
import { BadgeList } from "../../../shop/card/parts/Badges";
import { ShopRoot } from "../../../shop/ShopRoot";
import { Diamond } from "../../frame/TopBar";
import { ConditionBuilder } from "../../pieces/conditions/ConditionBuilder";
import { sayCondition } from "../../pieces/conditions/say-condition";
import { LabelLine, withText } from "../../pieces/LabelLine";
import { Line, Lines } from "../../pieces/Lines";
import { SortableRow } from "../../pieces/SortableList";
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
  const text = labelIn(badge.text, language, badge.name).replace(/\{([^{}]+)\}/g, (_whole, name: string) => SAMPLES[name] ?? "…");
  return (
    <SortableRow id={id} label={badge.name} className="py-2 text-[13px]">
      {(handle) => (
        <>
          {JSON.stringify(badge) !== JSON.stringify(live.page.badges[id]) && <Diamond className="absolute top-3.5 -left-[13px]" />}
          <div className={`flex items-center gap-2.5 ${badge.on ? "" : "text-soft"}`}>
            {handle}
            <ShopRoot front={front} className="!bg-transparent">
              <BadgeList badges={[{ id, text, tone: badge.tone, colour: badge.colour, place: badge.place }]} />
            </ShopRoot>
            <button
              type="button"
              aria-expanded={isOpen}
              aria-label={`Set up ${badge.name}`}
              onClick={onOpen}
              className="flex min-w-0 flex-1 items-center gap-2 text-left"
            >
              <span className="min-w-0 flex-1 truncate text-soft">{sayCondition(badge.condition, fields, settings.selections)}</span>
              <ChevronDown className={`size-4 shrink-0 text-soft ${isOpen ? "rotate-180" : ""}`} aria-hidden />
            </button>
            <Toggle checked={badge.on} label={`${badge.name}: on`} onChange={(on) => changeEntry("badges", id, { on })} />
            <IconButton label={`Remove ${badge.name}`} onClick={() => removeEntry("badges", id)} className="!size-6">
              <Trash2 className="size-3.5" />
            </IconButton>
          </div>
          <p className="ml-[26px] text-[12.5px] text-soft">{facts && sayFacts(badge.on, facts)}</p>
          {isOpen && (
            <div className="mt-2 ml-[26px]">
              <BadgeForm badge={badge} language={language} onChange={(part) => changeEntry("badges", id, part)} />
            </div>
          )}
        </>
      )}
    </SortableRow>
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

function BadgeForm({ badge, language, onChange }: { badge: Badge; language: string; onChange: (part: Partial<Badge>) => void }) {
  const { fields, store } = useOpen("fields", "store");
  const figures = [
    ...BADGE_FIGURES.map((value) => ({ value, label: value === "discount" ? "reduction in %" : "how many are left" })),
    ...fields.filter(({ shown }) => shown).map(({ key, label }) => ({ value: key, label })),
  ];
  return (
    <Lines wide>
      <Line name="Name">
        <TextLine
          label="Name of the badge"
          value={badge.name}
          onCommit={(name) => name.trim() && onChange({ name: name.trim() })}
          className="w-44"
        />
      </Line>
      <Line name="Text">
        <LabelLine
          label="Text of the badge"
          value={badge.text}
          language={language}
          placeholder="{discount} % off"
          onChange={(text) => onChange({ text })}
          className="min-w-0 flex-1"
        />
        <Select
          label="Put a figure into the text"
          value={ADD}
          options={[{ value: ADD, label: "+ figure" }, ...figures]}
          onChange={(key) => key !== ADD && onChange({ text: withText(badge.text, language, `${badge.text[language] ?? ""} {${key}}`) })}
          className="w-28"
        />
      </Line>
      <Line name="On products">
        <div className="min-w-0 flex-1">
          <ConditionBuilder value={badge.condition} onChange={(condition) => onChange({ condition })} />
        </div>
      </Line>
      <Line name="Colour">
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
      <Line name="Dates">
        <ZonedSpan value={{ from: badge.from, until: badge.until }} timeZone={store.timeZone} onChange={onChange} />
      </Line>
    </Lines>
  );
}
