/** Raised where what is read cannot be what was written. */
export class Damaged extends Error {}

/** Whether what is wrong is with a database itself: it is gone, no database, torn, or its rows are not what was written. */
export function isDamage(error: unknown): boolean {
  if (error instanceof Damaged) return true;
  const code = String((error as { code?: string } | null)?.code);
  return /^SQLITE_(CORRUPT|NOTADB|CANTOPEN|IOERR)/.test(code);
}
