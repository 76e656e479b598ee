import type { Link } from "@core/settings/parts";
import { Select, TextLine } from "@ui/controls";
import { CategoryChoice } from "../../pieces/CategoryChoice";
import { useGuides } from "../../pieces/useGuides";
import { useOpen } from "../../state/bench";

interface Props {
  value: Link;
  label: string;
  onChange: (value: Link) => void;
}

const TARGETS: readonly { value: Link["to"]; label: string }[] = [
  { value: "category", label: "a category" },
  { value: "search", label: "a search" },
  { value: "page", label: "a guide" },
  { value: "address", label: "an address" },
];
const JOIN = " › ";

/** Where something leads. */
export function LinkForm({ value, label, onChange }: Props) {
  const { front } = useOpen("front");
  const guides = useGuides();
  const start = (to: Link["to"]): string =>
    ({ category: front.categories[0]?.path.join(JOIN) ?? "–", search: "new", page: guides[0]?.id ?? "–", address: "https://" })[to];
  return (
    <>
      <Select
        label={`${label}: to what`}
        value={value.to}
        options={TARGETS}
        onChange={(to) => onChange({ to: to as Link["to"], value: start(to as Link["to"]) })}
        className="w-28"
      />
      {value.to === "category" ? (
        <CategoryChoice
          value={value.value.split(JOIN)}
          label={`${label}: category`}
          onChange={(path) => onChange({ to: "category", value: path.join(JOIN) })}
        />
      ) : value.to === "page" ? (
        <Select
          label={`${label}: guide`}
          value={value.value}
          options={guides.map(({ id, title }) => ({ value: id, label: title }))}
          onChange={(id) => onChange({ to: "page", value: id })}
          className="w-56"
        />
      ) : (
        <TextLine
          label={value.to === "search" ? `${label}: search` : `${label}: address`}
          value={value.value}
          onCommit={(text) => text.trim() && onChange({ to: value.to, value: text.trim() })}
          className="w-56"
        />
      )}
    </>
  );
}
