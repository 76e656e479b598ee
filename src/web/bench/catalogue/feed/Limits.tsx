import { TextLine } from "@ui/controls";
import { Section } from "../../frame/Screen";
import { useFeed } from "./state";
import { useMemory } from "./useJobs";

/** The shares that make an import wait or stop. */
export function Limits() {
  const { remember } = useFeed();
  const memory = useMemory();
  if (!memory) return null;
  const line = (key: "mostRemoved" | "mostBad", label: string, before: string, after: string) => (
    <p className="flex items-center gap-2 py-1 text-[13px]">
      <span>{before}</span>
      <TextLine
        label={label}
        value={String(Math.round(memory[key] * 100))}
        inputMode="numeric"
        className="w-12 text-right"
        onCommit={(text) => {
          const share = Number(text.replace(",", ".")) / 100;
          if (share >= 0 && share <= 1) void remember({ [key]: share });
        }}
      />
      <span>{after}</span>
    </p>
  );
  return (
    <Section title="Safety">
      {line(
        "mostRemoved",
        "Share of products that may go without a question, in per cent",
        "A file that would remove more than",
        "% of the products waits for a yes",
      )}
      {line("mostBad", "Share of lines that may be bad, in per cent", "A file with more than", "% bad lines is not taken")}
    </Section>
  );
}
