import { Popover } from "radix-ui";
import type { ComponentProps } from "react";

/** What a popover shows: on a surface of its own, over the page. */
export function PopupContent({ className = "", ...rest }: ComponentProps<typeof Popover.Content>) {
  return (
    <Popover.Portal>
      <Popover.Content
        align="end"
        sideOffset={6}
        className={`z-50 rounded border border-rule bg-raised text-ink shadow-lg ${className}`}
        {...rest}
      />
    </Popover.Portal>
  );
}
