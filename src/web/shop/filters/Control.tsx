import type { ShopFront } from "@contract/search";
import { lookUp } from "@core/records";
import type { FilterAnswer, FilterChoice } from "@core/search/request";
import { useTexts } from "../texts";
import { Buttons } from "./controls/Buttons";
import { ChooseOne } from "./controls/ChooseOne";
import { FromTo } from "./controls/FromTo";
import { LongList } from "./controls/LongList";
import type { ValueProps } from "./controls/props";
import { Range } from "./controls/Range";
import { Steps } from "./controls/Steps";
import { Swatches } from "./controls/Swatches";
import { TickRows, Ticks } from "./controls/Ticks";
import { Tree } from "./controls/Tree";
import { YesNo } from "./controls/YesNo";
import { labelOf } from "./labels";
import { askedChoice, factorOf, shownRange } from "./taxed";

export interface ControlProps {
  filter: FilterAnswer;
  front: ShopFront;
  onChoose: (choice: FilterChoice | null) => void;
}

/** A filter as shoppers use it. */
export function Control({ filter, front, onChoose }: ControlProps) {
  const t = useTexts();
  if ("bars" in filter) {
    const factor = factorOf(filter, front);
    const range = {
      filter: shownRange(filter, factor),
      front,
      onChoose: (choice: FilterChoice | null) => onChoose(askedChoice(choice, factor)),
    };
    return (
      <>
        {filter.display === "fields" ? <FromTo {...range} /> : <Range {...range} />}
        {filter.none && (
          <TickRows
            values={[filter.none]}
            isCounted={!filter.uncounted}
            say={(value) => value.label}
            onToggle={(value) => onChoose(filter.none?.selected ? null : { any: [value] })}
          />
        )}
      </>
    );
  }
  const chosen = filter.values.filter((value) => value.selected).map((value) => value.value);
  const props: ValueProps = {
    filter,
    say: (value) => labelOf(filter, value, front, t),
    onToggle: (value) => onChoose({ any: chosen.includes(value) ? chosen.filter((entry) => entry !== value) : [...chosen, value] }),
    onOnly: (value) => onChoose(value === null ? null : { any: [value] }),
  };
  switch (filter.display) {
    case "swatches":
      return <Swatches {...props} />;
    case "buttons":
      return <Buttons {...props} />;
    case "choose":
      return <ChooseOne {...props} />;
    case "yes-no":
      return <YesNo {...props} />;
    case "list":
      return <LongList {...props} />;
    case "tree":
      return <Tree {...props} />;
    case "steps":
      return (
        <Steps {...props} isRating={front.fields.find(({ key }) => key === lookUp(front.filterFields, filter.id))?.role === "rating"} />
      );
    default:
      return <Ticks {...props} />;
  }
}
