import { pointerKey } from "@core/shelves/edit";
import { Button } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { plural } from "@ui/format";
import { Section } from "../frame/Screen";
import { useBenchParts, useOpen } from "../state/bench";

/** Products hidden from the whole shop. Their own pages stay. */
export function HiddenProducts() {
  const { settings } = useOpen("settings");
  const { edit } = useBenchParts("edit");
  const hides = Object.entries(settings.hides);
  if (hides.length === 0) return null;
  return (
    <Section title="Hidden everywhere" note={plural(hides.length, "rule")}>
      <ul className="border-t border-rule">
        {hides.map(([id, hide]) => (
          <li key={id} className="flex min-h-9 items-center gap-3 border-b border-rule py-1.5">
            <div className="min-w-0 flex-1">
              <p className={`truncate font-semibold ${hide.on ? "" : "text-soft line-through"}`}>{hide.name}</p>
              <p className="text-[12.5px] text-soft">
                {hide.products ? plural(hide.products.length, "product") : "by a condition"}, not when {hide.places.join(", ")}
              </p>
            </div>
            <Toggle
              checked={hide.on}
              label={`Hide ${hide.name}`}
              onChange={(on) => void edit([{ op: "replace", path: `/hides/${pointerKey(id)}/on`, value: on }])}
            />
            <Button onClick={() => void edit([{ op: "remove", path: `/hides/${pointerKey(id)}` }])} aria-label={`Show ${hide.name} again`}>
              Show again
            </Button>
          </li>
        ))}
      </ul>
    </Section>
  );
}
