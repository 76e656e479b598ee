const PIECE = /([\p{L}\p{M}\p{N}]+(?:['’][\p{L}\p{M}]+)*)/u;

/** A text in which the words that matched are marked. @param words in lower case. */
export function MarkedWords({ text, words }: { text: string; words: readonly string[] }) {
  if (words.length === 0) return <>{text}</>;
  // Words are at the odd places of what is split by them.
  return (
    <>
      {text.split(PIECE).map((piece, i) =>
        i % 2 === 1 && words.includes(piece.toLowerCase()) ? (
          <mark key={i} part="mark" className="bg-press-soft text-inherit">
            {piece}
          </mark>
        ) : (
          piece
        ),
      )}
    </>
  );
}
