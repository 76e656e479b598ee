import type { ImportReport } from "@contract/feed";
import type { GroupingWay } from "@core/feed/group-options";
import { Button } from "@ui/Button";
import { plural } from "@ui/format";
import { Section } from "../../frame/Screen";
import { useSayText } from "../say-text";
import { useFeed } from "./state";
import { useMemory } from "./useJobs";

const WAYS: Record<GroupingWay, string> = { title: "the same title", number: "article numbers that begin alike" };

interface Props {
  report: ImportReport;
  isTrial: boolean;
  mode: "replace" | "merge";
}

/** Products that look like options of one product: joined only when somebody says so. */
export function Groupings({ report, isTrial, mode }: Props) {
  const { again, remember } = useFeed();
  const memory = useMemory();
  const proposals = report.groupings;
  const sayText = useSayText();
  const acting = memory?.grouping ?? [];
  if (proposals.length === 0 && acting.length === 0) return null;
  return (
    <Section title="Options" note="sizes and colours listed as products of their own">
      {acting.map((way) => (
        <p key={way} className="flex items-center gap-3 border-t border-rule py-1.5 text-[13px]">
          <span className="flex-1">Products with {WAYS[way]} are joined as options of one product.</span>
          <Button onClick={() => void again(report, { dry: isTrial, mode, options: acting.filter((other) => other !== way) })}>
            Stop joining
          </Button>
        </p>
      ))}
      {proposals.map((proposal) => (
        <div key={proposal.way} className="border-t border-rule py-2 text-[13px]">
          <div className="flex items-center gap-3">
            <span className="flex-1">
              <b className="font-semibold">{plural(proposal.products, "product")}</b> with {WAYS[proposal.way]} look like options of{" "}
              <b className="font-semibold">{plural(proposal.groups, "product")}</b>.
            </span>
            <Button onClick={() => void again(report, { dry: isTrial, mode, options: [...acting, proposal.way] })}>Join them</Button>
          </div>
          <ul>
            {proposal.samples.map((sample) => (
              <li key={sample.key} className="mt-1 flex items-baseline gap-3">
                <span className="min-w-0 flex-1">
                  {sample.title}
                  <span className="block truncate text-[12.5px] text-soft">
                    {sample.differ
                      .map((field) => `${field.label}: ${field.values.map((value) => sayText(field.role, value)).join(" / ")}`)
                      .join("; ")}
                  </span>
                </span>
                <button
                  type="button"
                  className="shrink-0 text-[12.5px] text-soft hover:text-ink"
                  onClick={() =>
                    void remember({ apart: [...(memory?.apart ?? []), sample.key] }).then(() => again(report, { dry: isTrial, mode }))
                  }
                >
                  No, {sample.ids.length} products
                </button>
              </li>
            ))}
          </ul>
        </div>
      ))}
    </Section>
  );
}
