/** Stands before all that is draft and not yet live. */
export function Diamond({ className = "" }: { className?: string }) {
  return <i aria-hidden className={`inline-block size-[7px] shrink-0 rotate-45 bg-draft-mark ${className}`} />;
}
