import type { ImportReport } from "@contract/feed";
import { ROLE_TYPES } from "@core/feed/roles";
import { lookUp } from "@core/records";
import { Button } from "@ui/Button";
import { Select } from "@ui/controls";
import { Check } from "lucide-react";
import { Section } from "../../frame/Screen";
import { useFeed } from "./state";

type Asked = ImportReport["questions"][number];

const TEXTS: Record<Asked["role"], string> = {
  title: "the name of the product",
  price: "what it costs",
  category: "the category it is in",
  stock: "how many are in stock",
};
const NONE = "\u0000none";

/** What is not sure of a first file, asked before anything happens. */
export function Questions({
  report: { questions = [], samples },
}: {
  report: Partial<Pick<ImportReport, "questions">> & Pick<ImportReport, "samples">;
}) {
  if (questions.length === 0) return null;
  return (
    <Section title="Please say" note="what the names of the columns do not">
      <ul className="border-t border-rule">
        {questions.map((question) => (
          <One key={question.role} question={question} samples={samples} />
        ))}
      </ul>
    </Section>
  );
}

function One({ question: { role, column, candidates }, samples }: { question: Asked; samples: ImportReport["samples"] }) {
  const { wishes, wish } = useFeed();
  const said = candidates.find((name) => lookUp(wishes, name)?.role === role);
  const isDenied = column !== null && said === undefined && lookUp(wishes, column)?.role === "attribute";
  const value = said ?? (isDenied ? NONE : (column ?? NONE));
  const isAnswered = said !== undefined || isDenied;
  const choose = (next: string) => {
    // Whatever was taken for it before is a plain column.
    for (const name of new Set([said, column])) if (name && name !== next) wish(name, { use: "field", role: "attribute" });
    if (next !== NONE) wish(next, { use: "field", role, type: ROLE_TYPES[role] ?? "keyword" });
  };
  const shown = value === NONE ? [] : (lookUp(samples, value) ?? []);
  return (
    <li className="border-b border-rule py-1.5 text-[13px]">
      <div className="flex flex-wrap items-center gap-2">
        <span className="min-w-[150px] flex-1">
          Which column is <b className="font-semibold">{TEXTS[role]}</b>?
        </span>
        <Select
          label={`Column with ${TEXTS[role]}`}
          value={value}
          options={[...candidates.map((name) => ({ value: name, label: name })), { value: NONE, label: "none of them" }]}
          onChange={choose}
        />
        {isAnswered ? (
          <Check className="size-4 text-gain" aria-label="Answered" />
        ) : (
          value !== NONE && (
            <Button data-next-step onClick={() => choose(value)}>
              That is right
            </Button>
          )
        )}
      </div>
      {shown.length > 0 && <p className="truncate text-[12.5px] text-soft">{shown.map((sample) => `“${sample}”`).join("  ")}</p>}
    </li>
  );
}
