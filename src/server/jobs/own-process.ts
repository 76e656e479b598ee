import { fork } from "node:child_process";
import { setPriority } from "node:os";

/** What a process of its own is given, and whom it tells. */
interface OwnProcess {
  /** Memory for what lives long and for what lives for a moment, in MB. */
  memory: { old: number; young: number };
  onMessage: (message: unknown) => void;
  /** It ended without being told to. @param isShort whether for want of memory. */
  onBreak: (isShort: boolean) => void;
}

/** The halves between which what lives for a moment is moved, and those it is moved to: a third each. */
const SHARES = 3;
/** How a process ends that has no memory left: given up by itself, or ended by the system. */
const SHORT = new Set(["SIGABRT", "SIGKILL"]);
const SHORT_CODE = 134;
type Ending = "well" | "short" | "broken";

/**
 * How far it steps back: a third of what a search gets where both want the same core. Half as far as "below normal", at which
 * somebody who looks at a file on a busy machine would wait for a minute.
 */
const NICE = 5;

/**
 * Runs a script in a process of its own, of lower priority than the searches: its memory, with what collects it, is no part of
 * the server's, and what becomes of it leaves the server as it was. It is told its task, and ends when nobody hears it any more.
 * @returns a way to end it, which is not a break and takes a moment.
 */
export function startProcess(script: URL, task: object, { memory, onMessage, onBreak }: OwnProcess): { end: () => Promise<void> } {
  const child = fork(script, {
    serialization: "advanced",
    execArgv: [`--max-old-space-size=${memory.old}`, `--max-semi-space-size=${Math.round(memory.young / SHARES)}`],
  });
  let isEnded = false;
  try {
    // Before it has threads of its own, which are then of the same priority.
    if (child.pid) setPriority(child.pid, NICE);
  } catch {
    // It has ended already, which is told below.
  }
  child.on("message", (message) => isEnded || onMessage(message));
  const over = new Promise<Ending>((done) => {
    child.once("error", () => done("broken"));
    child.once("exit", (code, signal) => {
      const isShort = code === SHORT_CODE || (signal !== null && SHORT.has(signal));
      const ending = code === 0 ? "well" : isShort ? "short" : "broken";
      // What it said last may still be on its way.
      if (child.connected) child.once("disconnect", () => setImmediate(done, ending));
      else setImmediate(done, ending);
    });
  });
  void over.then((ending) => {
    if (!isEnded && ending !== "well") onBreak(ending === "short");
  });
  child.send(task);
  return {
    async end() {
      isEnded = true;
      child.kill("SIGKILL");
      await over;
    },
  };
}
