import { ToggleGroup } from "radix-ui";

interface Props {
  label: string;
  value: readonly string[];
  options: readonly { value: string; label: string }[];
  onChange: (value: string[]) => void;
}

/** Several of a few values, none of them for all. */
export function Marks({ label, value, options, onChange }: Props) {
  return (
    <ToggleGroup.Root
      type="multiple"
      aria-label={label}
      value={[...value]}
      onValueChange={onChange}
      className="flex h-7 shrink-0 overflow-hidden rounded border border-rule bg-raised"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          className="px-2 text-[13px] font-semibold text-soft hover:text-ink data-[state=on]:bg-press-soft data-[state=on]:text-press"
        >
          {option.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
