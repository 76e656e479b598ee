import type { SearchAnswer } from "@contract/search";
import type { Address, OnChange } from "../address";
import { useTexts } from "../texts";

/** Products or guides, each with how many there are; the search stays. */
export function Kinds({ answer, address, onChange }: { answer: SearchAnswer; address: Address; onChange: OnChange }) {
  const t = useTexts();
  if (answer.pages.total === 0 && address.kind === "products") return null;
  const kinds = [
    { kind: "products", name: t("results.products"), count: answer.total },
    { kind: "guides", name: t("guides.title"), count: answer.pages.total },
  ] as const;
  return (
    <div part="kinds" role="group" aria-label={t("results.kinds")} className="mb-3 flex gap-5 border-b border-rule">
      {kinds.map(({ kind, name, count }) => (
        <button
          key={kind}
          type="button"
          aria-pressed={address.kind === kind}
          onClick={() => onChange({ ...address, kind, page: 1 })}
          className="t-s -mb-px border-b-2 border-transparent pb-1 text-soft hover:text-ink aria-pressed:border-press aria-pressed:font-semibold aria-pressed:text-ink"
        >
          {name} <span className="font-normal text-soft tabular-nums">{count}</span>
        </button>
      ))}
    </div>
  );
}
