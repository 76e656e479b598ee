import { Checkbox } from "@ui/controls";
import type { ReactNode } from "react";

interface Props {
  checked: boolean;
  /** What is ticked; the name of the box, and what is written beside it where nothing else is. */
  label: string;
  children?: ReactNode;
  onChange: (checked: boolean) => void;
}

/** A box to tick with its words beside it. */
export function Ticked({ checked, label, children = label, onChange }: Props) {
  return (
    <span className="flex items-center gap-2">
      <Checkbox checked={checked} label={label} onChange={onChange} />
      {children}
    </span>
  );
}
