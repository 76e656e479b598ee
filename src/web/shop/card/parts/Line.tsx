import { labelIn } from "@core/settings/ranked";
import { MarkedWords } from "../MarkedWords";
import type { PropsOf } from "../part-props";
import { sayLine } from "../product";

const LOOKS = { plain: "", soft: "text-soft", strong: "font-semibold" };

/** A line of fields; gone, label and all, when the product lacks what it says. */
export function Line({ part, product, front, fields }: PropsOf<"line">) {
  const text = sayLine(front, labelIn(part.text, front.language, ""), part.hide, fields);
  if (text === null) return null;
  const label = labelIn(part.label, front.language, "");
  return (
    <p
      part="line"
      className={`t-s ${LOOKS[part.look]} overflow-hidden [display:-webkit-box] [-webkit-box-orient:vertical]`}
      style={{ WebkitLineClamp: part.lines }}
    >
      {label && <span part="line-label">{label} </span>}
      {part.marked ? <MarkedWords text={text} words={product.marked ?? []} /> : text}
    </p>
  );
}
