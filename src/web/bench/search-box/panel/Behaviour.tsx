import type { Box } from "@core/settings/box/box";
import { change } from "@core/settings/patch";
import { Segments } from "@ui/controls";
import { Line, Lines } from "../../pieces/Lines";
import { NumberLine } from "../../pieces/NumberLine";
import { Ticked } from "../../pieces/Ticked";
import { useBenchParts, useOpen } from "../../state/bench";

const SOURCES = { own: "the own list", log: "what shoppers asked", words: "the catalogue’s words" } as const;

/** When it opens, what it completes from, and what the keys do. */
export function Behaviour() {
  const { box } = useOpen("settings").settings;
  const { edit } = useBenchParts("edit");
  const set = (part: Partial<Box>) => void edit(change(["box"], part));
  return (
    <Lines wide>
      <Line name="Proposes from">
        <NumberLine
          label="Letters from which something is proposed"
          value={box.from}
          min={1}
          max={5}
          onCommit={(from) => set({ from })}
          className="w-12"
        />
        <span className="text-soft">{box.from === 1 ? "letter on" : "letters on"}</span>
      </Line>
      <Line name="Completes from">
        {(Object.keys(SOURCES) as (keyof typeof SOURCES)[]).map((key) => (
          <Ticked
            key={key}
            checked={box.sources[key]}
            label={SOURCES[key]}
            onChange={(on) => set({ sources: { ...box.sources, [key]: on } })}
          />
        ))}
      </Line>
      <Line name="In the field">
        <Ticked checked={box.finish} label="the last word completed, → takes it" onChange={(finish) => set({ finish })} />
        <Ticked checked={box.voice} label="a microphone, where the browser has one" onChange={(voice) => set({ voice })} />
      </Line>
      <Line name="In the panel">
        <Ticked checked={box.marks} label="matches marked" onChange={(marks) => set({ marks })} />
        <Ticked checked={box.all} label="a link to all results, with their number" onChange={(all) => set({ all })} />
      </Line>
      <Line name="Within a category">
        <Ticked
          checked={box.scoped}
          label="the search stays in it, unless the shopper unticks that"
          onChange={(scoped) => set({ scoped })}
        />
      </Line>
      <Line name="Article numbers">
        <Ticked checked={box.numbers} label="a whole one leads to its product" onChange={(numbers) => set({ numbers })} />
      </Line>
      <Line name="As wide as">
        <Segments
          label="What the panel is as wide as"
          value={box.anchor}
          options={[
            { value: "field", label: "the field" },
            { value: "page", label: "the page" },
          ]}
          onChange={(anchor) => set({ anchor })}
        />
        <span className="text-[12.5px] text-soft">on phones it fills the screen</span>
      </Line>
    </Lines>
  );
}
