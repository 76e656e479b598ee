import { lookOfColour } from "@core/catalogue/colours";
import type { FilterValueRule } from "@core/settings/filter";
import { IconButton } from "@ui/Button";
import { ColourField } from "@ui/ColourField";
import { Checkbox, TextLine } from "@ui/controls";
import { count } from "@ui/format";
import { Eye, EyeOff, ImageIcon, Undo2 } from "lucide-react";
import { useState } from "react";
import { SortableRow } from "../../pieces/SortableList";
import type { ValueLine } from "./rules";

interface Props {
  line: ValueLine;
  isPicked: boolean;
  hasColour: boolean;
  onPick: (isIn: boolean) => void;
  onRename: (name: string) => void;
  onChange: (part: Partial<FilterValueRule>) => void;
  onRestore: () => void;
}

/** One value: its name, how many products have it, and what is done to it. */
export function ValueRow({ line, isPicked, hasColour, onPick, onRename, onChange, onRestore }: Props) {
  const { label, of, isHidden } = line;
  const [isPicturing, setPicturing] = useState(false);
  const isOther = of.length > 1 || label !== of[0];
  return (
    <SortableRow id={line.key} label={label}>
      {(handle) => (
        <>
          <div className="grid min-h-9 grid-cols-[54px_minmax(0,1fr)_52px_64px_90px_58px] items-center text-[13px]">
            <span className="flex items-center gap-1.5">
              {handle}
              <Checkbox checked={isPicked} label={`Choose ${label}`} onChange={onPick} />
            </span>
            <span className={`flex min-w-0 items-center gap-1.5 ${isHidden ? "opacity-55" : ""}`}>
              {hasColour && (
                <>
                  <ColourField
                    label={`Colour of ${label}`}
                    value={line.colour ?? lookOfColour(line.key) ?? lookOfColour(label)}
                    onCommit={(colour) => onChange({ colour })}
                  />
                  <IconButton
                    label={`Picture of ${label}`}
                    aria-expanded={isPicturing}
                    onClick={() => setPicturing(!isPicturing)}
                    className={`!size-6 ${line.picture ? "text-press" : ""}`}
                  >
                    <ImageIcon className="size-3.5" />
                  </IconButton>
                </>
              )}
              <TextLine
                label={`Name of ${label}`}
                value={label}
                onCommit={(text) => onRename(text.trim())}
                className={`w-0 min-w-[72px] flex-1 !border-transparent !bg-transparent hover:!border-rule ${isHidden ? "line-through" : ""}`}
              />
              {isOther && (
                <small className="min-w-0 max-w-[45%] truncate text-[12px] text-soft" title={of.join(", ")}>
                  {of.join(", ")}
                </small>
              )}
            </span>
            <span className="text-right tabular-nums">{count(line.here)}</span>
            <span className="text-right text-soft tabular-nums">{count(line.count)}</span>
            <span className="pl-3">
              <Checkbox checked={line.isChosen} label={`${label} is chosen from the start`} onChange={(chosen) => onChange({ chosen })} />
            </span>
            <span className="flex justify-end">
              {line.rule !== null && (
                <IconButton label={of.length > 1 ? `Split ${label}` : `Reset ${label}`} onClick={onRestore} className="!size-6">
                  <Undo2 className="size-3.5" />
                </IconButton>
              )}
              <IconButton
                label={isHidden ? `Show ${label} again` : `Hide ${label}`}
                onClick={() => onChange({ hidden: !isHidden })}
                className="!size-6"
              >
                {isHidden ? <EyeOff className="size-3.5" /> : <Eye className="size-3.5" />}
              </IconButton>
            </span>
          </div>
          {isPicturing && (
            <TextLine
              label={`Address of the picture of ${label}`}
              value={line.picture ?? ""}
              placeholder="/media/… or https://…, shown in place of the colour"
              onCommit={(text) => onChange({ picture: text.trim() || null })}
              className="mb-1.5 ml-[54px] w-[calc(100%-54px)]"
            />
          )}
        </>
      )}
    </SortableRow>
  );
}
