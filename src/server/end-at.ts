const { CLEVER_SHELF_END_AT: ENDS_AT } = process.env;

/**
 * Ends the process at once, as a kill would, where it has come to a named point. For tests of what such an end leaves behind; nothing
 * happens unless CLEVER_SHELF_END_AT names the point.
 */
export function endAt(point: string): void {
  if (point === ENDS_AT) process.kill(process.pid, "SIGKILL");
}
