import { useEffect, useRef, useState } from "react";

interface Props {
  /** As #rrggbb; anything else shows as grey. */
  value: string | null;
  label: string;
  /** Told at every move on the way. */
  onMove?: (colour: string) => void;
  onCommit: (colour: string) => void;
}

const PATTERN = /^#[\da-f]{6}$/i;
const NONE = "#cccccc";

/** A colour, taken over when the choice is made and not at every move on the way. */
export function ColourField({ value, label, onMove, onCommit }: Props) {
  const shown = value && PATTERN.test(value) ? value : NONE;
  const [held, setHeld] = useState(shown);
  useEffect(() => setHeld(shown), [shown]);
  const field = useRef<HTMLInputElement>(null);
  const commit = useRef(onCommit);
  commit.current = onCommit;
  useEffect(() => {
    // React's own event comes at every move; the browser's comes at the end.
    const input = field.current;
    const onChange = () => commit.current(input?.value ?? NONE);
    input?.addEventListener("change", onChange);
    return () => input?.removeEventListener("change", onChange);
  }, []);
  return (
    <input
      ref={field}
      type="color"
      aria-label={label}
      value={held}
      onChange={(event) => {
        setHeld(event.target.value);
        onMove?.(event.target.value);
      }}
      className="size-5 shrink-0 cursor-pointer rounded-full border border-black/15 p-0"
    />
  );
}
