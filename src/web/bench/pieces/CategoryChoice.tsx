import { Select } from "@ui/controls";
import { useOpen } from "../state/bench";

const JOIN = " › ";

interface Props {
  value: readonly string[];
  label: string;
  /** Categories that are not offered, beside the one that is chosen. */
  without?: readonly (readonly string[])[];
  className?: string;
  onChange: (path: string[]) => void;
}

/** One of the shop's categories. */
export function CategoryChoice({ value, label, without = [], className = "w-52", onChange }: Props) {
  const { front } = useOpen("front");
  const own = value.join(JOIN);
  const used = new Set(without.map((path) => path.join(JOIN)));
  const names = front.categories
    .map(({ path }) => path.join(JOIN))
    .filter((name) => name === own || !used.has(name))
    .sort();
  return (
    <Select
      value={own}
      label={label}
      options={(names.includes(own) ? names : [own, ...names]).map((name) => ({ value: name, label: name }))}
      onChange={(name) => onChange(name.split(JOIN))}
      className={className}
    />
  );
}

/** The first category that is not among some; undefined when all are. */
export function freeCategory(categories: readonly { path: string[] }[], used: readonly (readonly string[])[]): string[] | undefined {
  const taken = new Set(used.map((path) => path.join(JOIN)));
  return categories.find(({ path }) => !taken.has(path.join(JOIN)))?.path;
}
