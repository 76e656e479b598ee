import { Button } from "@ui/Button";
import { PopupContent } from "@ui/PopupContent";
import { Plus } from "lucide-react";
import { Popover } from "radix-ui";
import { useBenchParts, useOpen } from "../../state/bench";
import { BLOCK_NAMES, BLOCK_NOTES, freshBlock, MOMENTS, OFFERED } from "../blocks";
import { addBlock } from "../edits";
import { useMoment } from "./useMoment";

/** Adds a block to the moment that is looked at. */
export function AddBlock() {
  const { settings } = useOpen("settings");
  const { edit } = useBenchParts("edit");
  const moment = useMoment()?.moment ?? "focus";
  const filters = Object.keys(settings.filters);
  const offered = OFFERED[moment].filter((kind) => kind !== "values" || filters.length > 0);
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button className="mt-2">
          <Plus className="size-3.5" /> Add a block to “{MOMENTS[moment].name}”
        </Button>
      </Popover.Trigger>
      <PopupContent align="start" sideOffset={4} aria-label="Blocks that can be added" className="w-[380px] p-1 text-[13px]">
        {offered.map((kind) => (
          <Popover.Close
            key={kind}
            onClick={() => void edit(addBlock(settings.box, moment, freshBlock(kind, moment, filters[0] ?? "")).edit)}
            className="block w-full rounded px-2 py-1 text-left hover:bg-press-soft"
          >
            <b className="font-semibold">{BLOCK_NAMES[kind]}</b> <span className="text-soft">{BLOCK_NOTES[kind]}</span>
          </Popover.Close>
        ))}
      </PopupContent>
    </Popover.Root>
  );
}
