interface Props {
  /** A path in a square of 100. */
  path: string;
  className: string;
}

/** A drawing in lines, in the colour of the text around it. */
export function Drawing({ path, className }: Props) {
  return (
    <svg viewBox="0 0 100 100" fill="none" stroke="currentColor" strokeWidth="3.5" strokeLinecap="round" className={className} aria-hidden>
      <path d={path} />
    </svg>
  );
}
