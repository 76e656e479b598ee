interface Span {
  from: string | null;
  until: string | null;
}

/** From which day to which something holds; open where nothing is said. Days are whole, in UTC. */
export function DateSpan({ value, onChange }: { value: Span; onChange: (value: Span) => void }) {
  return (
    <>
      {(["from", "until"] as const).map((key) => (
        <label key={key} className="flex items-center gap-1.5 text-[12.5px] text-soft">
          {key}
          <input
            type="date"
            value={value[key]?.slice(0, 10) ?? ""}
            onChange={(event) => onChange({ ...value, [key]: event.target.value ? `${event.target.value}T00:00:00Z` : null })}
            className="h-7 rounded border border-rule bg-raised px-1.5 text-[12.5px] text-ink"
          />
        </label>
      ))}
    </>
  );
}
