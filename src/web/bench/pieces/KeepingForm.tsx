import { TextInput, TextLine } from "@ui/controls";

interface Kept {
  owner: string | null;
  review: string | null;
}

interface Props<T extends Kept> {
  value: T;
  onChange: (part: Partial<Kept>) => void;
}

/** Who looks after a rule, and when somebody should look at it again. */
export function KeepingForm<T extends Kept>({ value, onChange }: Props<T>) {
  return (
    <>
      <span className="flex items-center gap-1.5 text-[12.5px] text-soft">
        owner
        <TextLine
          label="Owner"
          value={value.owner ?? ""}
          placeholder="nobody"
          onCommit={(owner) => onChange({ owner: owner.trim() || null })}
          className="w-32 text-ink"
        />
      </span>
      <label className="flex items-center gap-1.5 text-[12.5px] text-soft">
        review date
        <TextInput
          type="date"
          value={value.review?.slice(0, 10) ?? ""}
          onChange={(event) => onChange({ review: event.target.value || null })}
        />
      </label>
    </>
  );
}
