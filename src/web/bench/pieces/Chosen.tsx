/** What was chosen of many, each taken out by a press. */
export function Chosen({ items, onRemove }: { items: readonly { id: string; name: string }[]; onRemove: (id: string) => void }) {
  return (
    <span className="flex flex-wrap gap-1.5 empty:hidden">
      {items.map(({ id, name }) => (
        <button
          key={id}
          type="button"
          aria-label={`Remove ${name}`}
          onClick={() => onRemove(id)}
          className="rounded-full border border-press bg-press-soft px-2 text-[12.5px]/[22px] hover:line-through"
        >
          {name} ×
        </button>
      ))}
    </span>
  );
}
