import { FolderError } from "../db/lock";
import { BackupError } from "./manifest";

/** Runs what a command line asks for; what cannot be done is said in a sentence. @param usage how it is called. */
export async function runProgram(usage: string, work: () => Promise<void>): Promise<void> {
  try {
    await work();
  } catch (error) {
    console.error(saying(error, usage));
    process.exit(1);
  }
}

function saying(error: unknown, usage: string): unknown {
  if (error instanceof BackupError || error instanceof FolderError) return error.message;
  const isUnread = error instanceof TypeError && String((error as NodeJS.ErrnoException).code).startsWith("ERR_PARSE_ARGS");
  return isUnread ? `${error.message.split(". ")[0]}. Use: ${usage}` : error;
}
