import { Segments } from "@ui/controls";
import { sayPrice } from "../../../shop/prices";
import { Section } from "../../frame/Screen";
import { Diamond } from "../../pieces/Diamond";
import { LabelLine, useLanguage } from "../../pieces/LabelLine";
import { Line, Lines } from "../../pieces/Lines";
import { NumberLine } from "../../pieces/NumberLine";
import { useOpen } from "../../state/bench";
import { setPage } from "../edits";

type Tax = "with" | "without";
const TAXES: readonly { value: Tax; label: string }[] = [
  { value: "with", label: "with tax" },
  { value: "without", label: "without" },
];

/** How prices are shown everywhere: with or without the tax, and what stands where there is none. */
export function PriceForm() {
  const { settings, live, front } = useOpen("settings", "live", "front");
  const { language, choice } = useLanguage();
  const { prices } = settings.page;
  const set = (part: Partial<typeof prices>) => setPage({ prices: { ...prices, ...part } });
  return (
    <Section title="Prices" note={<>on cards, in filters and on product pages {choice}</>}>
      <div className="relative">
        {JSON.stringify(prices) !== JSON.stringify(live.page.prices) && <Diamond className="absolute top-4 -left-[13px]" />}
        <Lines>
          <Line name="The feed has them">
            <Segments label="Prices of the feed" value={prices.feed} options={TAXES} onChange={(feed) => set({ feed })} />
          </Line>
          <Line name="Shoppers see them">
            <Segments label="Prices that shoppers see" value={prices.shown} options={TAXES} onChange={(shown) => set({ shown })} />
            {prices.feed !== prices.shown && (
              <>
                <NumberLine label="Tax in per cent" value={prices.rate} min={0} max={100} onCommit={(rate) => set({ rate })} />%
                <span className="text-soft">so that 10 in the feed is {sayPrice(front, 10)}</span>
              </>
            )}
          </Line>
          <Line name="Small after each">
            <LabelLine
              label="Small after each price"
              value={prices.note}
              language={language}
              placeholder="such as: incl. VAT"
              onChange={(note) => set({ note })}
              className="w-44"
            />
          </Line>
          <Line name="For 0 or none">
            <LabelLine
              label="Shown for no price"
              value={prices.none}
              language={language}
              placeholder="such as: Ask us"
              onChange={(none) => set({ none })}
              className="w-44"
            />
            <span className="text-[12.5px] text-soft">Such products come last when prices are sorted.</span>
          </Line>
        </Lines>
      </div>
    </Section>
  );
}
