import { lookUp } from "@core/records";
import type { Explanation, Hit } from "@core/search/request";
import { IconButton } from "@ui/Button";
import { decimal } from "@ui/format";
import { X } from "lucide-react";
import { Fragment } from "react";
import { toRequest } from "../../shop/address";
import { Failed } from "../ask/Answered";
import { useAsk } from "../ask/useAsk";
import { useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import { sayBefore, saySum } from "./compare";

const VIA: Record<string, string> = {
  exact: "",
  "as-typed": "just as typed",
  form: "another form",
  part: "part of the word",
  synonym: "by a synonym",
  prefix: "a beginning of",
  typo: "close to it",
  phrase: "words in a row",
  position: "near the start",
  proximity: "words close together",
  number: "the same measure",
  value: "the same value",
  all: "everything is shown",
};
const LEAST_SAID = 0.005;
const TINTS = ["#5b2a4e", "#3f5c6e", "#c9861a", "#2f6b3f", "#a63d2f", "#7d5ba6", "#8a8272", "#3f7f7b"];

/** Why a product stands where it does: the sum as a bar and as sentences that add up. */
export function WhyHere() {
  const { fields, settings, front } = useOpen("fields", "settings", "front");
  const { address, at, asked, set, draft } = useWindowParts("address", "at", "asked", "set", "draft");
  const position = draft?.hits.find((entry) => entry.id === asked)?.position;
  const from = Math.max(0, (position ?? 0) - 2);
  const body =
    asked && position !== undefined
      ? { ...toRequest(address, null, front), at, offset: from, limit: position - from, explain: true }
      : null;
  const { data, error, refetch } = useAsk("POST /api/stores/{store}/search", body && { body: { ...body, source: "draft" } });
  if (error) return <Failed error={error} onRetry={() => void refetch()} />;
  const hits = body ? (data?.hits ?? []) : [];
  const hit = hits.at(-1);
  const above = hits.length > 1 ? hits[0] : null;
  if (!hit?.explain) return null;
  const labelOf = (key: string) => fields.find((field) => field.key === key)?.label ?? "Id";
  const pinnedBy = hit.arranged.find((entry) => entry.kind === "pin");
  return (
    <section
      aria-label={`Why is ${hit.title} here?`}
      className="max-h-[46%] shrink-0 overflow-auto border-t-2 border-ink bg-raised px-3.5 py-2.5 text-[13px]"
    >
      <div className="flex items-start gap-2">
        <p className="flex-1">
          <b>{hit.title}</b> is at <b>{hit.position}</b>
          {pinnedBy
            ? ` because it is pinned there (${lookUp(settings.shelves, pinnedBy.rule)?.name}).`
            : hit.tier === 2
              ? " because its whole article number was typed."
              : hit.tier === 1
                ? " because its whole title was typed."
                : ` with ${decimal(hit.score)} points.`}
        </p>
        <IconButton label="Close" onClick={() => set({ asked: null })}>
          <X className="size-4" />
        </IconButton>
      </div>
      {hit.explain.parts.length > 0 && <p className="mt-0.5 text-soft">{saySum(hit, labelOf)}</p>}
      <Sum explanation={hit.explain} labelOf={labelOf} />
      {above?.explain && (
        <p className="mt-1.5 border-t border-rule pt-1.5">
          <button type="button" className="font-semibold hover:text-press" onClick={() => set({ asked: above.id })}>
            {above.title}
          </button>{" "}
          is above it because {sayBefore(above, hit, labelOf)}
          <Bars above={above} hit={hit} />
        </p>
      )}
    </section>
  );
}

/** The scores of two results on one scale. */
function Bars({ above, hit }: { above: Hit; hit: Hit }) {
  const most = Math.max(above.score, hit.score);
  if (most <= 0) return null;
  return (
    <span className="mt-1 grid grid-cols-[3rem_1fr] items-center gap-x-2 gap-y-0.5 text-[12px] text-soft">
      {[above, hit].map((entry) => (
        <Fragment key={entry.id}>
          <span className="text-right tabular-nums">{decimal(entry.score)}</span>
          <i
            className="block h-2 rounded-[2px] bg-press"
            style={{ width: `${(entry.score / most) * 100}%`, opacity: entry === hit ? 1 : 0.45 }}
          />
        </Fragment>
      ))}
    </span>
  );
}

function Sum({ explanation, labelOf }: { explanation: Explanation; labelOf: (key: string) => string }) {
  const { base, parts, factors, ties, band } = explanation;
  if (parts.length === 0) return <p className="text-soft">It does not answer the search; the shelf brings it here.</p>;
  const byField = new Map<string, { points: number; lines: string[] }>();
  for (const part of parts) {
    const key = part.via === "proximity" || part.via === "phrase" || part.via === "position" ? part.via : part.field;
    const entry = byField.get(key) ?? { points: 0, lines: [] };
    entry.points += part.points;
    entry.lines.push(
      key === part.field
        ? `“${part.matched}”${lookUp(VIA, part.via) ? ` (${lookUp(VIA, part.via)}${part.via === "synonym" || part.via === "typo" || part.via === "prefix" ? ` for ${part.unit}` : ""})` : ""}`
        : `${part.unit} in ${labelOf(part.field)}`,
    );
    byField.set(key, entry);
  }
  // What would be said as 0.00 is no line.
  const rows = [...byField].filter(([, { points }]) => points >= LEAST_SAID).sort((a, b) => b[1].points - a[1].points);
  const nameOf = (key: string) =>
    ({ position: "Near the start", proximity: "Words close together", phrase: "Words in a row" })[key] ??
    (key ? labelOf(key) : "Everything");
  return (
    <>
      <div className="my-1.5 flex h-3 overflow-hidden rounded-[2px]" aria-hidden>
        {rows.map(([key, { points }], i) => (
          <i key={key} style={{ width: `${(points / base) * 100}%`, background: TINTS[i % TINTS.length] }} />
        ))}
      </div>
      <table className="w-full">
        <tbody>
          {rows.map(([key, { points, lines }], i) => (
            <tr key={key} className="align-baseline">
              <td className="w-[34%] py-px pr-2">
                <i className="mr-1.5 inline-block size-2 rounded-[1px]" style={{ background: TINTS[i % TINTS.length] }} aria-hidden />
                {nameOf(key)}
              </td>
              <td className="py-px text-soft">{[...new Set(lines)].slice(0, 4).join(", ")}</td>
              <td className="py-px text-right tabular-nums">{decimal(points)}</td>
            </tr>
          ))}
          {factors.map((factor) => (
            <tr key={factor.rule}>
              <td className="py-px">{factor.label}</td>
              <td className="py-px text-soft">{factor.factor >= 1 ? "raised" : "lowered"}</td>
              <td className="py-px text-right tabular-nums">× {decimal(factor.factor)}</td>
            </tr>
          ))}
          <tr className="border-t border-rule font-semibold">
            <td className="pt-1">Score</td>
            <td className="pt-1 font-normal text-soft">
              {ties.length > 0 &&
                `Band ${band + 1}: among equal scores ${ties.map((tie) => `${labelOf(tie.field).toLowerCase()} decides (${tie.value === null ? "none" : decimal(tie.value)})`).join(", then ")}.`}
            </td>
            <td className="pt-1 text-right tabular-nums">{decimal(factors.reduce((all, factor) => all * factor.factor, base))}</td>
          </tr>
        </tbody>
      </table>
    </>
  );
}
