import type { SearchMatch } from "@core/settings/parts";
import { IconButton } from "@ui/Button";
import { Select, TextLine } from "@ui/controls";
import { X } from "lucide-react";

const MATCHES: readonly { value: SearchMatch["match"]; label: string }[] = [
  { value: "is", label: "is" },
  { value: "contains", label: "contains" },
  { value: "starts", label: "starts with" },
];

interface Props {
  value: readonly SearchMatch[];
  /** What is said before the first of them; something is only for these searches where nothing else is said. */
  lead?: string;
  onChange: (value: SearchMatch[]) => void;
}

/** For which searches something is meant; for all when none is named. */
export function SearchMatches({ value, lead, onChange }: Props) {
  return (
    <>
      {value.map((search, i) => (
        <div key={i} className="flex items-center gap-2">
          <span className="text-soft">{i === 0 ? (lead ?? "Only when the search") : "or"}</span>
          <Select
            value={search.match}
            label={`Search ${i + 1}: how it is compared`}
            options={MATCHES}
            onChange={(match) => onChange(value.with(i, { ...search, match: match as SearchMatch["match"] }))}
            className="w-28"
          />
          <TextLine
            label={`Search ${i + 1}`}
            value={search.text}
            onCommit={(text) => text.trim() && onChange(value.with(i, { ...search, text: text.trim() }))}
            className="w-36"
          />
          <IconButton label={`Forget search ${i + 1}`} onClick={() => onChange(value.toSpliced(i, 1))}>
            <X className="size-4" />
          </IconButton>
        </div>
      ))}
      <TextLine
        key={value.length}
        label={lead ? "Also for the search" : "Only for searches with"}
        value=""
        placeholder={lead ? "+ another search" : value.length === 0 ? "Only for searches that contain …" : "or that contain …"}
        onCommit={(text) => text.trim() && onChange([...value, { match: lead ? "is" : "contains", text: text.trim() }])}
        className="w-64"
      />
    </>
  );
}
