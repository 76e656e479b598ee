import { lookUp } from "@core/records";
import type { Choice } from "@core/search/request";
import { useTexts } from "../../texts";
import type { PropsOf } from "../part-props";
import { sayField } from "../product";

/** The options of a product; one that is chosen shows its own picture, price and stock on the card. */
export function Options({ part, product, front, choice, onChoose }: PropsOf<"options">) {
  const t = useTexts();
  const { choices } = product;
  const options = product.fields.options;
  if (part.as === "count" || !choices)
    return typeof options === "number" && options > 1 && (part.as === "count" || choices) ? (
      <p part="options" className="t-xs text-soft">
        {t("card.options", { n: options })}
      </p>
    ) : null;
  const shown = choices.slice(0, part.most);
  const rest = choices.length - shown.length;
  const label = front.fields.find(({ key }) => key === part.field)?.label ?? part.field;
  return (
    <div part="options" role="group" aria-label={label} className="relative z-10 flex flex-wrap items-center gap-1.5 py-0.5">
      {shown.map((option) => (
        <OneOption
          key={option.id}
          option={option}
          text={sayField(front, part.field, lookUp(option.fields, part.field), false) ?? option.value}
          isSwatch={part.as === "swatches" && option.colour !== undefined}
          isChosen={choice?.id === option.id}
          onPress={() => onChoose(choice?.id === option.id ? null : option.id)}
        />
      ))}
      {rest > 0 && <span className="t-xs text-soft">{t("card.more-options", { n: rest })}</span>}
    </div>
  );
}

interface OptionProps {
  option: Choice;
  text: string;
  isSwatch: boolean;
  isChosen: boolean;
  onPress: () => void;
}

function OneOption({ option, text, isSwatch, isChosen, onPress }: OptionProps) {
  if (isSwatch)
    return (
      <button
        type="button"
        part="swatch"
        aria-pressed={isChosen}
        aria-label={text}
        title={text}
        onClick={onPress}
        className={`size-6 rounded-full border border-black/15 bg-clip-content p-[3px] ${isChosen ? "outline-2 outline-press" : ""}`}
        style={{ backgroundColor: option.colour }}
      />
    );
  return (
    <button
      type="button"
      part="option"
      aria-pressed={isChosen}
      onClick={onPress}
      className={`t-xs rounded-shop border px-1.5 py-0.5 ${isChosen ? "border-press bg-press-soft font-semibold" : "border-rule hover:border-soft"}`}
    >
      {text}
    </button>
  );
}
