import { Check, ChevronDown } from "lucide-react";
import { Checkbox as RadixCheckbox, Select as RadixSelect, Slider as RadixSlider, Switch, ToggleGroup } from "radix-ui";
import { type ComponentProps, useEffect, useRef, useState } from "react";
import { memoDeep } from "./memo-deep";

interface CheckboxProps {
  checked: boolean;
  label: string;
  onChange: (checked: boolean) => void;
}

export const Checkbox = memoDeep(function Checkbox({ checked, label, onChange }: CheckboxProps) {
  return (
    <RadixCheckbox.Root
      checked={checked}
      onCheckedChange={(value) => onChange(value === true)}
      aria-label={label}
      className="flex size-4 shrink-0 items-center justify-center rounded-[3px] border-[1.5px] border-ink bg-transparent data-[state=checked]:border-press data-[state=checked]:bg-press"
    >
      <RadixCheckbox.Indicator>
        <Check className="size-3.5 text-on-press" strokeWidth={3} />
      </RadixCheckbox.Indicator>
    </RadixCheckbox.Root>
  );
});

export const Toggle = memoDeep(function Toggle({ checked, label, onChange }: CheckboxProps) {
  return (
    <Switch.Root
      checked={checked}
      onCheckedChange={onChange}
      aria-label={label}
      className="relative h-4 w-7 shrink-0 rounded-full border border-soft bg-paper data-[state=checked]:border-press data-[state=checked]:bg-press"
    >
      <Switch.Thumb className="block size-2.5 translate-x-0.5 rounded-full bg-soft transition-transform data-[state=checked]:translate-x-[14px] data-[state=checked]:bg-on-press" />
    </Switch.Root>
  );
});

interface SliderProps {
  value: number;
  /** The value that is live, left as a notch where it differs. */
  was?: number;
  max: number;
  step: number;
  label: string;
  disabled?: boolean;
  /** While it is being moved, before it is taken over. */
  onMove?: (value: number) => void;
  onCommit: (value: number) => void;
}

/** A slider that shows where it stood. */
export const Slider = memoDeep(function Slider({ value, was, max, step, label, disabled, onMove, onCommit }: SliderProps) {
  const [held, setHeld] = useState(value);
  // The value that a move began at: one that somebody else sets meanwhile is not written over.
  const start = useRef<number | null>(null);
  // A key is taken over first and told as a move after that, which begins nothing.
  const byKey = useRef<number | null>(null);
  useEffect(() => setHeld(value), [value]);
  return (
    <RadixSlider.Root
      value={[held]}
      max={max}
      step={step}
      disabled={disabled}
      onValueChange={([next]) => {
        if (byKey.current === next) byKey.current = null;
        else start.current ??= value;
        setHeld(next);
        onMove?.(next);
      }}
      onValueCommit={([next]) => {
        const isStale = start.current !== null && start.current !== value;
        byKey.current = start.current === null ? next : null;
        start.current = null;
        if (isStale) setHeld(value);
        else onCommit(next);
      }}
      className="relative flex h-[22px] w-full touch-none items-center data-[disabled]:opacity-40"
    >
      <RadixSlider.Track className="relative h-[3px] w-full bg-rule">
        <RadixSlider.Range className="absolute h-full bg-press" />
        {was !== undefined && was !== value && (
          <span
            title={`Live: ${was}`}
            className="absolute -top-[3px] h-[9px] w-[2px] bg-draft-mark"
            style={{ left: `${(was / max) * 100}%` }}
          />
        )}
      </RadixSlider.Track>
      <RadixSlider.Thumb aria-label={label} className="block h-[17px] w-2 rounded-[2px] bg-press focus-visible:outline-2" />
    </RadixSlider.Root>
  );
});

interface SegmentsProps<T extends string> {
  value: T;
  options: readonly { value: T; label: string; className?: string }[];
  label: string;
  onChange: (value: T) => void;
}

export const Segments = memoDeep(function Segments<T extends string>({ value, options, label, onChange }: SegmentsProps<T>) {
  return (
    <ToggleGroup.Root
      type="single"
      value={value}
      onValueChange={(next) => next && onChange(next as T)}
      aria-label={label}
      className="flex h-7 shrink-0 overflow-hidden rounded border border-rule bg-raised"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          className={`px-2 text-[13px] font-semibold text-soft hover:text-ink data-[state=on]:bg-press-soft data-[state=on]:text-press ${option.className ?? ""}`}
        >
          {option.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
});

interface SelectProps {
  value: string;
  options: readonly { value: string; label: string }[];
  label: string;
  className?: string;
  onChange: (value: string) => void;
}

export const Select = memoDeep(function Select({ value, options, label, className = "", onChange }: SelectProps) {
  return (
    <RadixSelect.Root value={value} onValueChange={onChange}>
      <RadixSelect.Trigger
        aria-label={label}
        className={`inline-flex h-7 items-center justify-between gap-1 rounded border border-rule bg-raised px-2 text-[13px] hover:border-soft ${className}`}
      >
        <span className="truncate whitespace-nowrap">
          <RadixSelect.Value />
        </span>
        <RadixSelect.Icon>
          <ChevronDown className="size-3.5 shrink-0 text-soft" />
        </RadixSelect.Icon>
      </RadixSelect.Trigger>
      <RadixSelect.Portal>
        <RadixSelect.Content
          position="popper"
          sideOffset={4}
          className="z-50 max-h-72 overflow-hidden rounded border border-rule bg-raised text-[13px] text-ink shadow-md"
        >
          <RadixSelect.Viewport className="p-1">
            {options.map((option) => (
              <RadixSelect.Item
                key={option.value}
                value={option.value}
                className="flex h-7 cursor-pointer items-center rounded px-2 outline-none data-[highlighted]:bg-press-soft data-[state=checked]:font-semibold"
              >
                <RadixSelect.ItemText>{option.label}</RadixSelect.ItemText>
              </RadixSelect.Item>
            ))}
          </RadixSelect.Viewport>
        </RadixSelect.Content>
      </RadixSelect.Portal>
    </RadixSelect.Root>
  );
});

interface InputProps extends ComponentProps<"input"> {
  /** As high as a button of the first rank, for forms of a page's own. */
  isTall?: boolean;
}

/** A field to type into: the one look that text, numbers, dates and searches have in the bench. */
export function TextInput({ isTall = false, className = "", ...rest }: InputProps) {
  const size = isTall ? "h-8 text-[14px]" : "h-7 text-[13px]";
  return (
    <input className={`min-w-0 rounded border border-rule bg-raised px-2 text-ink hover:border-soft ${size} ${className}`} {...rest} />
  );
}

interface TextProps extends Omit<InputProps, "value" | "onChange"> {
  value: string;
  label: string;
  /** Within a form: an Enter that takes over a new value does not send the form as well; the next one does. */
  keepsEnter?: boolean;
  onCommit: (value: string) => void;
}

/** A line of text that is taken over on Enter or when one leaves it; Escape puts back what was. */
export function TextLine({ value, label, keepsEnter = false, onCommit, className = "", ...rest }: TextProps) {
  const [text, setText] = useState(value);
  useEffect(() => setText(value), [value]);
  const commit = () => {
    if (text !== value) onCommit(text);
  };
  return (
    <TextInput
      aria-label={label}
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === "Enter") {
          if (keepsEnter && text !== value) event.preventDefault();
          commit();
        }
        if (event.key === "Escape") setText(value);
      }}
      className={className}
      {...rest}
    />
  );
}
