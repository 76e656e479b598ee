import type { ShopFront } from "@contract/search";
import { tokensOf } from "@core/storefront/looks";
import { sayWith } from "@core/storefront/say-messages";
import { type CSSProperties, type ReactNode, useMemo } from "react";
import { TextsContext } from "./texts";

interface Props {
  front: ShopFront;
  className?: string;
  children: ReactNode;
}

/** Everything of the shop is in one of these: its look, its language, its messages. */
export function ShopRoot({ front, className = "", children }: Props) {
  const say = useMemo(() => sayWith(front.language, front.messages), [front.language, front.messages]);
  const style = useMemo(() => styleOf(front), [front]);
  return (
    <TextsContext value={say}>
      <div className={`shop ${className}`} style={style} lang={front.language} part="shop">
        {front.css && <style>{front.css}</style>}
        {children}
      </div>
    </TextsContext>
  );
}

/** Space between cards, and inside controls, in pixels. */
const GAPS = { tight: [10, 12], usual: [14, 18], airy: [22, 30] } as const;

/** A theme as custom properties. */
function styleOf({ page: { theme } }: ShopFront): CSSProperties {
  const { colours, font, heading, size, corner, density } = tokensOf(theme);
  const [across, down] = GAPS[density];
  return {
    ...Object.fromEntries(Object.entries(colours).map(([role, colour]) => [`--${role}`, colour])),
    "--text": `${size}px`,
    "--corner": `${corner}px`,
    "--across": `${across}px`,
    "--down": `${down}px`,
    "--body-font": font,
    "--head-font": heading,
    colorScheme: isDark(colours.paper) ? "dark" : "light",
  } as CSSProperties;
}

function isDark(colour: string): boolean {
  const [red, green, blue] = [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));
  return red * 0.3 + green * 0.59 + blue * 0.11 < 110;
}
