import { useTexts } from "../../texts";
import type { ValueProps } from "./props";
import { TickRows } from "./Ticks";

/** One tick for what is so. */
export function YesNo({ filter, say, onOnly }: ValueProps) {
  const t = useTexts();
  const isChosen = (value: string) => filter.values.some((entry) => entry.value === value && entry.selected);
  return (
    <TickRows
      values={filter.values}
      isCounted={!filter.uncounted}
      say={(value) => (value.value === "Yes" ? t("filters.yes") : say(value))}
      onToggle={(value) => onOnly(isChosen(value) ? null : value)}
    />
  );
}
