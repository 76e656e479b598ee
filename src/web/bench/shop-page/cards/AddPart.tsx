import { Button } from "@ui/Button";
import { PopupContent } from "@ui/PopupContent";
import { Popover } from "radix-ui";

interface Props<T> {
  offers: readonly { name: string; part: T }[];
  onAdd: (part: T) => void;
}

/** The parts that can be added, by name. */
export function AddPart<T>({ offers, onAdd }: Props<T>) {
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button className="mt-2">Add a part</Button>
      </Popover.Trigger>
      <PopupContent
        align="start"
        sideOffset={4}
        aria-label="Parts that can be added"
        className="max-h-80 w-64 overflow-auto p-1 text-[13px]"
      >
        {offers.map(({ name, part }) => (
          <Popover.Close
            key={name}
            onClick={() => onAdd(part)}
            className="block w-full truncate rounded px-2 py-1 text-left hover:bg-press-soft"
          >
            {name}
          </Popover.Close>
        ))}
      </PopupContent>
    </Popover.Root>
  );
}
