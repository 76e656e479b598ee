/** How a colour looks; struck through where none is known. */
export function Dot({ colour }: { colour: string | null }) {
  return (
    <span
      aria-hidden
      className="size-4 shrink-0 rounded-[3px] border border-ink/25"
      style={
        colour
          ? { backgroundColor: colour }
          : { backgroundImage: "linear-gradient(135deg, transparent 47%, var(--rule) 47% 53%, transparent 53%)" }
      }
    />
  );
}
