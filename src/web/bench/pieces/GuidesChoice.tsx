import { Select } from "@ui/controls";
import { Chosen } from "./Chosen";
import { useGuides } from "./useGuides";

interface Props {
  ids: readonly string[];
  /** How many there are at least. */
  least?: number;
  label: string;
  onChange: (ids: string[]) => void;
}

/** Guides chosen by name. */
export function GuidesChoice({ ids, least = 0, label, onChange }: Props) {
  const guides = useGuides();
  const nameOf = (id: string) => guides.find((guide) => guide.id === id)?.title ?? id;
  const free = guides.filter(({ id }) => !ids.includes(id));
  return (
    <>
      <Chosen
        items={ids.map((id) => ({ id, name: nameOf(id) }))}
        onRemove={(id) => ids.length > least && onChange(ids.filter((other) => other !== id))}
      />
      <Select
        key={ids.length}
        label={label}
        value=""
        options={free.map(({ id, title }) => ({ value: id, label: title }))}
        onChange={(id) => onChange([...ids, id])}
        className="w-60"
      />
    </>
  );
}
