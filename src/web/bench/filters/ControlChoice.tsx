import type { FilterDisplay } from "@core/settings/filter";
import { RadioGroup } from "radix-ui";
import { withFilter } from "../../shop/address";
import { Control } from "../../shop/filters/Control";
import { ShopRoot } from "../../shop/ShopRoot";
import { useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import { DISPLAY_NAMES, DisplayDrawing } from "./displays";

interface Props {
  id: string;
  label: string;
  display: FilterDisplay;
  displays: readonly FilterDisplay[];
  onChange: (display: FilterDisplay) => void;
}

/** The controls that suit, drawn, beside the one that is chosen as shoppers of the search at hand would use it. */
export function ControlChoice({ id, label, display, displays, onChange }: Props) {
  const { front } = useOpen("front");
  const { draft, address, go } = useWindowParts("draft", "address", "go");
  const shown = draft?.filters.find((entry) => entry.id === id);
  const offered = displays.includes(display) ? displays : [display, ...displays];
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_184px] gap-4 border-t border-rule pt-2">
      <RadioGroup.Root
        aria-label={`Control of ${label}`}
        value={display}
        onValueChange={(value) => onChange(value as FilterDisplay)}
        className="grid grid-cols-2 content-start gap-1"
      >
        {offered.map((value) => (
          <RadioGroup.Item
            key={value}
            value={value}
            className="flex h-9 items-center gap-1.5 rounded border border-transparent px-1.5 text-left text-[13px]/[16px] text-soft hover:border-rule data-[state=checked]:border-press data-[state=checked]:bg-press-soft data-[state=checked]:font-semibold data-[state=checked]:text-press"
          >
            <DisplayDrawing display={value} />
            {DISPLAY_NAMES[value]}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
      <ShopRoot front={front} className="max-h-[268px] overflow-auto rounded border border-rule p-2.5">
        {shown ? (
          <section aria-label={`${label} as shoppers see it`}>
            <h3 className="mb-1 text-[13.5px] font-semibold">{shown.label}</h3>
            <Control filter={shown} front={front} onChoose={(choice) => go(withFilter(address, id, choice, front.chosen))} />
          </section>
        ) : (
          <p className="text-[13px] text-soft">Nothing to see with this search. Try one whose results have more than one value.</p>
        )}
      </ShopRoot>
    </div>
  );
}
