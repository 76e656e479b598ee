import { COLOUR_ROLES, type Theme } from "@core/settings/page/theme";
import { checkContrast } from "@core/storefront/check-theme";
import { tokensOf } from "@core/storefront/looks";
import { readTokens, themeOf } from "@core/storefront/read-tokens";
import { Button } from "@ui/Button";
import { plural } from "@ui/format";
import { useDeferredValue, useMemo, useState } from "react";

interface Props {
  theme: Theme;
  onTake: (part: Partial<Theme>) => void;
}

/** Reads the look from a style sheet that is pasted, and shows what it would become before it is taken. */
export function ReadStyles({ theme, onTake }: Props) {
  const [css, setCss] = useState("");
  const settled = useDeferredValue(css);
  const read = useMemo(() => readTokens(settled), [settled]);
  const part = themeOf(read);
  const found = [
    ...COLOUR_ROLES.flatMap((role) => (read.colours[role] ? [{ name: role, ...read.colours[role] }] : [])),
    ...(read.font ? [{ name: "text", ...read.font }] : []),
    ...(read.heading ? [{ name: "headings", ...read.heading }] : []),
    ...(read.size ? [{ name: "size", value: `${read.size.value} px`, from: read.size.from }] : []),
    ...(read.corner ? [{ name: "corners", value: `${read.corner.value} px`, from: read.corner.from }] : []),
  ];
  const next = { ...theme, ...part, colours: { ...theme.colours, ...part.colours } };
  const weak = checkContrast(tokensOf(next).colours).filter(({ passes }) => !passes);
  const total = Object.keys(read.properties).length;
  return (
    <div className="border-t border-rule pt-2 text-[13px]">
      <textarea
        aria-label="Style sheet of the shop"
        value={css}
        onChange={(event) => setCss(event.target.value)}
        placeholder={":root {\n  --brand: #7a2e4d;\n  --text: #222;\n  --radius: 8px;\n}"}
        rows={4}
        spellCheck={false}
        className="w-full rounded border border-rule bg-raised px-2 py-1 font-mono text-[12.5px]"
      />
      {css.trim() !== "" && (
        <div role="status">
          <p className="text-[12.5px] text-soft">
            {total === 0
              ? "There is no custom property in it. They are written as --name: value."
              : `${plural(total, "custom property", "custom properties")}, of which ${found.length} say something of the look.`}
          </p>
          {found.length > 0 && (
            <>
              <ul className="mt-1 grid grid-cols-2 gap-x-5">
                {found.map(({ name, value, from }) => (
                  <li key={name} className="flex items-center gap-2 border-b border-rule py-1">
                    {value.startsWith("#") && (
                      <span className="size-4 shrink-0 rounded-full border border-black/15" style={{ background: value }} aria-hidden />
                    )}
                    <span className="min-w-0 flex-1 truncate">
                      {name} <span className="text-soft">{value.startsWith("#") ? value : `“${value}”`}</span>
                    </span>
                    <code className="truncate text-[12px] text-soft">--{from}</code>
                  </li>
                ))}
              </ul>
              {weak.length > 0 && (
                <p className="mt-1 text-loss">
                  Would be too weak: {weak.map(({ name }) => name).join(", ")}. Mend them under Colours afterwards.
                </p>
              )}
              <Button
                look="main"
                className="mt-2"
                onClick={() => {
                  onTake({ ...part, colours: next.colours });
                  setCss("");
                }}
              >
                Use these {found.length}
              </Button>
            </>
          )}
        </div>
      )}
    </div>
  );
}
