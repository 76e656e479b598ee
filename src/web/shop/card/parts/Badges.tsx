import { readableOn } from "@core/storefront/contrast";
import type { PropsOf } from "../part-props";
import { badgesOf, type WornBadge } from "../product";

/** The badges that are among the texts. */
export function Badges({ product, front, fields }: PropsOf<"badges">) {
  const badges = badgesOf(front, product, fields);
  // Without a picture to be on, all stand here.
  const own = badges.filter(({ place }) => place === "text");
  return own.length === 0 ? null : <BadgeList badges={own} className="flex-row flex-wrap" />;
}

const TONES: Record<WornBadge["tone"], string> = {
  press: "bg-press text-on-press",
  loss: "bg-loss text-paper",
  gain: "bg-gain text-paper",
  ink: "bg-ink text-paper",
  quiet: "bg-paper text-ink border border-rule",
};

export function BadgeList({ badges, className = "" }: { badges: readonly WornBadge[]; className?: string }) {
  if (badges.length === 0) return null;
  return (
    <ul className={`flex flex-col gap-1 ${className}`}>
      {badges.map(({ id, text, tone, colour }) => (
        <li
          key={id}
          part="badge"
          data-badge={id}
          className={`max-w-full truncate rounded-shop px-1.5 t-xs font-semibold ${colour ? "" : TONES[tone]}`}
          style={colour ? { background: colour, color: readableOn(colour) } : undefined}
        >
          {text}
        </li>
      ))}
    </ul>
  );
}
