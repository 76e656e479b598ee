const NAME = /^clever-shelf-\d{4}-\d\d-\d\dT[\d-]+Z\.tar\.gz$/;

/** The name of a backup by its moment, so that names are in the order of time. @param store null for all. */
export function backupName(at: Date, store: string | null): string {
  return `clever-shelf-${store === null ? "" : `${store}-`}${at.toISOString().replace(/[:.]/g, "-")}.tar.gz`;
}

/** Backups of all stores among the names of a folder that are more than are kept, the oldest. */
export function tooMany(names: readonly string[], kept: number): string[] {
  const backups = names.filter((name) => NAME.test(name)).sort();
  return backups.slice(0, Math.max(0, backups.length - kept));
}
