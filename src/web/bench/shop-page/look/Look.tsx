import { DENSITIES, LOOKS, type Theme } from "@core/settings/page/theme";
import { LOOK_COLOURS, tokensOf } from "@core/storefront/looks";
import { Segments, Slider, TextLine } from "@ui/controls";
import { Screen, Section } from "../../frame/Screen";
import { Diamond } from "../../pieces/Diamond";
import { Line, Lines } from "../../pieces/Lines";
import { useOpen } from "../../state/bench";
import { setPage } from "../edits";
import { ColourRows } from "./ColourRows";
import { OwnRules } from "./OwnRules";
import { ReadStyles } from "./ReadStyles";

const LEAD = "Colours, type, corners and density of the shop. Everything is seen in the window at once.";

const NAMES: Record<Theme["look"], string> = { leaf: "Leaf", harbour: "Harbour", evening: "Evening" };
const FONTS = [
  { name: "of the look", font: "", heading: "" },
  { name: "system", font: "system-ui, sans-serif", heading: "system-ui, sans-serif" },
  { name: "book", font: "Georgia, 'Times New Roman', serif", heading: "Georgia, 'Times New Roman', serif" },
] as const;

/** The theme: a starting look, and what is changed in it. */
export default function Look() {
  const { settings, live } = useOpen("settings", "live");
  const { theme } = settings.page;
  const was = live.page.theme;
  const set = (part: Partial<Theme>) => setPage({ theme: { ...theme, ...part } });
  const mark = (...keys: (keyof Theme)[]) =>
    keys.some((key) => JSON.stringify(theme[key]) !== JSON.stringify(was[key])) && <Diamond className="absolute top-4 -left-[13px]" />;
  const isOwnFont = !FONTS.some(({ font, heading }) => font === theme.font && heading === theme.heading);
  return (
    <Screen title="Look" lead={LEAD}>
      <div className="relative">
        {mark("look")}
        <div role="radiogroup" aria-label="Starting look" className="grid grid-cols-3 gap-3">
          {LOOKS.map((look) => (
            <LookChoice
              key={look}
              look={look}
              isChosen={theme.look === look}
              onChoose={() => setPage({ theme: { ...theme, look, colours: {} } })}
            />
          ))}
        </div>
        {Object.keys(theme.colours).length > 0 && (
          <p className="mt-1 text-[12.5px] text-soft">
            Another look takes its own colours in place of those changed below; undo brings them back.
          </p>
        )}
      </div>
      <Section title="Colours" note="with how well each reads">
        <div className="relative">
          {mark("colours")}
          <ColourRows tokens={tokensOf(theme)} theme={theme} onChange={(colours) => set({ colours })} />
        </div>
      </Section>
      <Section title="Type and shape">
        <div className="relative">
          {mark("font", "heading", "size", "corner", "density")}
          <Lines>
            <Line name="Fonts">
              <Segments
                label="Fonts"
                value={isOwnFont ? "own" : (FONTS.find(({ font }) => font === theme.font)?.name ?? "own")}
                options={[...FONTS.map(({ name }) => ({ value: name as string, label: name as string })), { value: "own", label: "own" }]}
                onChange={(name) => {
                  const chosen = FONTS.find((entry) => entry.name === name);
                  set(chosen ? { font: chosen.font, heading: chosen.heading } : { font: "inherit", heading: "inherit" });
                }}
              />
            </Line>
            {isOwnFont && (
              <Line name="Own families">
                <TextLine
                  label="Family of text"
                  value={theme.font}
                  placeholder="Family, sans-serif"
                  onCommit={(font) => set({ font })}
                  className="w-40"
                />
                <TextLine
                  label="Family of headings"
                  value={theme.heading}
                  placeholder="as the text"
                  onCommit={(heading) => set({ heading })}
                  className="w-40"
                />
                <span className="basis-full text-[12.5px] text-soft">
                  They are those of the page in which the shop stands; “inherit” takes what is there.
                </span>
              </Line>
            )}
            <Line name="Size of text">
              <div className="w-40">
                <Slider
                  value={theme.size - 12}
                  was={was.size - 12}
                  max={10}
                  step={1}
                  label="Size of text in pixels, from 12"
                  onCommit={(size) => set({ size: size + 12 })}
                />
              </div>
              <b className="font-semibold">{theme.size} px</b>
            </Line>
            <Line name="Corners">
              <div className="w-40">
                <Slider
                  value={theme.corner}
                  was={was.corner}
                  max={28}
                  step={1}
                  label="Radius of corners in pixels"
                  onCommit={(corner) => set({ corner })}
                />
              </div>
              <b className="font-semibold">{theme.corner} px</b>
            </Line>
            <Line name="Density">
              <Segments
                label="Density"
                value={theme.density}
                options={DENSITIES.map((value) => ({ value, label: value }))}
                onChange={(density) => set({ density })}
              />
            </Line>
          </Lines>
        </div>
      </Section>
      <Section title="From the shop's own style sheet" note="its custom properties are read">
        <ReadStyles theme={theme} onTake={set} />
      </Section>
      <Section title="Own rules" note="for named parts">
        <div className="relative">
          {mark("css")}
          <OwnRules css={theme.css} onChange={(css) => set({ css })} />
        </div>
      </Section>
    </Screen>
  );
}

function LookChoice({ look, isChosen, onChoose }: { look: Theme["look"]; isChosen: boolean; onChoose: () => void }) {
  const colours = LOOK_COLOURS[look];
  return (
    <button
      type="button"
      role="radio"
      aria-checked={isChosen}
      onClick={onChoose}
      className={`rounded border p-1.5 text-left text-[13px] ${isChosen ? "border-press bg-press-soft font-semibold text-press" : "border-rule hover:border-soft"}`}
    >
      <span
        className="flex h-14 gap-1.5 rounded p-2"
        style={{ background: colours.paper, border: `1px solid ${colours.rule}` }}
        aria-hidden
      >
        {[0, 1, 2].map((i) => (
          <span key={i} className="flex flex-1 flex-col gap-1">
            <span className="flex-1 rounded-[2px]" style={{ background: i === 1 ? colours["press-soft"] : colours.raised }} />
            <span className="h-1 w-4/5 rounded" style={{ background: colours.ink }} />
            <span className="h-1 w-2/5 rounded" style={{ background: i === 1 ? colours.press : colours.soft }} />
          </span>
        ))}
      </span>
      <span className="mt-1 block">{NAMES[look]}</span>
    </button>
  );
}
