import { PARTS, safeCss } from "@core/storefront/own-css";
import { Button } from "@ui/Button";
import { useEffect, useState } from "react";

const EXAMPLE = `::part(card) {
  border: 1px solid #dcdcd2;
  padding: 8px;
}
::part(card):hover {
  border-color: currentColor;
}
::part(title) {
  text-transform: uppercase;
  letter-spacing: 0.03em;
}`;

/** Own rules: what is wrong in them is said while they are written, and left out of the shop. */
export function OwnRules({ css, onChange }: { css: string; onChange: (css: string) => void }) {
  const [text, setText] = useState(css);
  useEffect(() => setText(css), [css]);
  const { problems } = safeCss(text);
  return (
    <div className="border-t border-rule pt-2 text-[13px]">
      <textarea
        aria-label="Own rules"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onBlur={() => text !== css && onChange(text)}
        placeholder={EXAMPLE}
        rows={Math.min(16, Math.max(6, text.split("\n").length + 1))}
        spellCheck={false}
        className="w-full rounded border border-rule bg-raised px-2 py-1 font-mono text-[12.5px]"
      />
      {problems.length > 0 && (
        <div role="alert" className="text-[12.5px] text-loss">
          {problems.map(({ line, message }) => (
            <p key={`${line} ${message}`}>
              Line {line}: {message} It is left out.
            </p>
          ))}
        </div>
      )}
      <div className="mt-1 flex gap-2">
        <Button disabled={text === css} onClick={() => onChange(text)}>
          Use the rules
        </Button>
        {text === "" && (
          <Button look="bare" onClick={() => setText(EXAMPLE)}>
            Begin with an example
          </Button>
        )}
      </div>
      <details className="mt-2 text-[12.5px] text-soft">
        <summary className="cursor-pointer">The parts that have names</summary>
        <dl className="mt-1 grid grid-cols-[120px_minmax(0,1fr)] gap-x-3">
          {Object.entries(PARTS).map(([name, what]) => (
            <div key={name} className="contents">
              <dt>
                <code>{name}</code>
              </dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
        <p className="mt-1">
          Where the shop is embedded, the page's own style sheet reaches the same parts as <code>clever-shelf-results::part(card)</code>.
        </p>
      </details>
    </div>
  );
}
