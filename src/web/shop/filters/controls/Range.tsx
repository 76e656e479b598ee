import { Slider } from "radix-ui";
import { useEffect, useState } from "react";
import { useTexts } from "../../texts";
import { sayEnds, sayNumber } from "../labels";
import type { RangeProps } from "./props";

/** A slider with two thumbs, under bars that tell how many products there are. */
export function Range({ filter, front, onChoose }: RangeProps) {
  const t = useTexts();
  const { min, max } = filter.range;
  const [held, setHeld] = useState<[number, number]>([filter.selected?.min ?? min, filter.selected?.max ?? max]);
  useEffect(
    () => setHeld([filter.selected?.min ?? min, filter.selected?.max ?? max]),
    [filter.selected?.min, filter.selected?.max, min, max],
  );
  const most = Math.max(1, ...filter.bars.map((bar) => bar.count));
  // The thumbs are on the edges of the bars, so that a long tail takes no more room than it has products.
  const edges = [...new Set([...filter.bars.map((bar) => bar.from), max])];
  const placeOf = (value: number, isEnd: boolean) => {
    const found = isEnd ? edges.findIndex((edge) => edge >= value) : edges.findLastIndex((edge) => edge <= value);
    return found < 0 ? (isEnd ? edges.length - 1 : 0) : found;
  };
  const say = (value: number) => sayNumber(filter, front, value);
  const [isBelow, isAbove] = [filter.beyond?.below && held[0] <= min, filter.beyond?.above && held[1] >= max];
  const commit = ([from, to]: [number, number]) => onChoose({ min: from <= min ? null : from, max: to >= max ? null : to });
  return (
    <div className="pr-1">
      {filter.display === "histogram" && (
        <div className="mx-1 flex h-9 items-end gap-[2px]" aria-hidden>
          {filter.bars.map((bar) => (
            <i
              key={bar.from}
              className={`flex-1 ${bar.from >= held[0] && bar.to <= held[1] ? "bg-press" : "bg-press/25"}`}
              style={{ height: bar.count === 0 ? 0 : `${Math.max(6, (bar.count / most) * 100)}%` }}
              title={`${say(bar.from)} – ${say(bar.to)}: ${bar.count}`}
            />
          ))}
        </div>
      )}
      <Slider.Root
        value={[placeOf(held[0], false), placeOf(held[1], true)]}
        min={0}
        max={edges.length - 1}
        step={1}
        minStepsBetweenThumbs={1}
        onValueChange={([from, to]) => setHeld([edges[from], edges[to]])}
        onValueCommit={([from, to]) => commit([edges[from], edges[to]])}
        className="relative mx-1 flex h-4 touch-none items-center"
      >
        <Slider.Track className="relative h-[2px] w-full bg-rule">
          <Slider.Range className="absolute h-full bg-press" />
        </Slider.Track>
        <Slider.Thumb
          aria-label={`${filter.label} ${t("filters.from")}`}
          aria-valuetext={say(held[0])}
          className="block size-3 rounded-full border-2 border-press bg-paper"
        />
        <Slider.Thumb
          aria-label={`${filter.label} ${t("filters.to")}`}
          aria-valuetext={say(held[1])}
          className="block size-3 rounded-full border-2 border-press bg-paper"
        />
      </Slider.Root>
      <div className="t-xs text-soft">
        {filter.selected && held[0] > held[1] ? (
          // All that there is lies beyond what was chosen.
          sayEnds(filter.selected, say, t)
        ) : (
          <>
            {isBelow ? t("filters.under", { n: say(held[0]) }) : say(held[0])} –{" "}
            {isAbove ? t("filters.and-more", { n: say(held[1]) }) : say(held[1])}
          </>
        )}
      </div>
    </div>
  );
}
