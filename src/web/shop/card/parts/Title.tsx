import { To } from "../../links";
import { MarkedWords } from "../MarkedWords";
import type { PropsOf } from "../part-props";

/** The title, which leads to the product; its link covers the card. */
export function Title({ part, product, to, onOpen }: PropsOf<"title">) {
  const text = part.marked ? <MarkedWords text={product.title} words={product.marked ?? []} /> : product.title;
  return (
    <h3 part="title" className="t-m font-semibold">
      <To
        to={to}
        onOpen={onOpen}
        className="overflow-hidden text-ink no-underline [display:-webkit-box] [-webkit-box-orient:vertical] after:absolute after:inset-0 hover:text-press"
        lines={part.lines}
      >
        {text}
      </To>
    </h3>
  );
}
