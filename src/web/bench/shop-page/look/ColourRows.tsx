import { COLOUR_ROLES, type ColourRole, type Colours, type Theme } from "@core/settings/page/theme";
import { type ContrastCheck, checkContrast } from "@core/storefront/check-theme";
import { LOOK_COLOURS, type Tokens } from "@core/storefront/looks";
import { IconButton } from "@ui/Button";
import { ColourField } from "@ui/ColourField";
import { decimal } from "@ui/format";
import { Undo2 } from "lucide-react";
import { useState } from "react";

const NAMES: Record<ColourRole, string> = {
  paper: "Ground",
  raised: "Raised ground",
  rule: "Lines",
  ink: "Text",
  soft: "Soft text",
  press: "What can be pressed",
  "press-soft": "What is chosen",
  "on-press": "Text on buttons",
  loss: "Reduced, sold out",
  gain: "In stock",
};

interface Props {
  tokens: Tokens;
  theme: Theme;
  onChange: (colours: Theme["colours"]) => void;
}

/** The colours by what they are for, each with the contrast of the pair that reads worst. */
export function ColourRows({ tokens, theme, onChange }: Props) {
  // While a colour is being picked, its pairs are checked with it.
  const [picked, setPicked] = useState<Partial<Colours>>({});
  const checks = checkContrast({ ...tokens.colours, ...picked });
  return (
    <ul className="grid grid-cols-2 gap-x-5 border-t border-rule text-[13px]">
      {COLOUR_ROLES.map((role) => {
        const own = theme.colours[role];
        const worst = checks
          .filter((check) => check.what === role || check.on === role)
          .sort((a, b) => a.ratio / a.least - b.ratio / b.least)[0];
        return (
          <li key={role} className="flex min-h-9 items-center gap-2 border-b border-rule py-1">
            <ColourField
              label={NAMES[role]}
              value={tokens.colours[role]}
              onMove={(colour) => setPicked({ [role]: colour })}
              onCommit={(colour) => {
                setPicked({});
                onChange({ ...theme.colours, [role]: colour });
              }}
            />
            <span className="min-w-0 flex-1">
              <span className={own ? "font-semibold" : ""}>{NAMES[role]}</span>
              {worst && <Contrast check={worst} />}
            </span>
            {own && own !== LOOK_COLOURS[theme.look][role] && (
              <IconButton
                label={`${NAMES[role]} as in the look`}
                className="!size-6"
                onClick={() => {
                  const { [role]: _own, ...others } = theme.colours;
                  onChange(others);
                }}
              >
                <Undo2 className="size-3.5" />
              </IconButton>
            )}
          </li>
        );
      })}
    </ul>
  );
}

function Contrast({ check: { name, ratio, least, passes } }: { check: ContrastCheck }) {
  return (
    <span className={`block text-[12.5px]/[16px] ${passes ? "text-soft" : "font-semibold text-loss"}`}>
      {passes ? "" : "Too weak: "}
      {name} {decimal(ratio, 1)} : 1{passes ? "" : `, needs ${least}`}
    </span>
  );
}
