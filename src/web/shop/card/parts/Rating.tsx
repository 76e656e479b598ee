import { lookUp } from "@core/records";
import { decimal } from "@ui/format";
import { Star } from "lucide-react";
import { roleKey } from "../../client";
import { useTexts } from "../../texts";
import type { PropsOf } from "../part-props";

/** What shoppers think of it, and how many do. */
export function Rating({ part, front, fields }: PropsOf<"rating">) {
  const t = useTexts();
  const rating = lookUp(fields, roleKey(front, "rating") ?? "");
  const count = lookUp(fields, roleKey(front, "ratingCount") ?? "");
  if (typeof rating !== "number") return null;
  const said = decimal(rating, 1, front.language);
  return (
    <p part="rating" className="t-xs flex items-center gap-1 text-soft">
      <Star className="size-3 fill-[#c9861a] text-[#c9861a]" aria-hidden />
      <span className="sr-only">{t("card.rated", { rating: said })}</span>
      <span aria-hidden>{said}</span>
      {part.count && typeof count === "number" && <span>({decimal(count, 0, front.language)})</span>}
    </p>
  );
}
