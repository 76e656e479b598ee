/** The mark: three things on a shelf, one of them still a draft. */
export function Mark() {
  return (
    <svg viewBox="0 0 18 17" className="h-[17px] w-[18px]" aria-hidden>
      <path d="M2 4h4v10H2zM12 3h4v11h-4z" fill="var(--ink)" />
      <path d="M7 7h4v7H7z" fill="var(--draft-mark)" />
      <path d="M0 14h18v3H0z" fill="var(--press)" />
    </svg>
  );
}
