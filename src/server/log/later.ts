/** Work that is put off to be done together with what comes meanwhile, such as writing a batch. */
interface Later {
  /** Sees to it that the work is done within a moment. */
  soon: () => void;
  /** Does the work now. @throws what the work throws; it is tried again within a moment all the same. */
  now: () => void;
  /** Puts nothing off any longer; the last work is the caller's to do. */
  stop: () => void;
}

/**
 * Puts work off. Work that fails, as on a full disk, ends nothing: it is told and tried again.
 * @param after how long it may wait, in ms.
 */
export function later(work: () => void, after: number, tell: (error: unknown) => void = console.error): Later {
  let timer: NodeJS.Timeout | null = null;
  const soon = () => {
    timer ??= setTimeout(() => {
      timer = null;
      try {
        work();
      } catch (error) {
        tell(error);
        soon();
      }
    }, after);
  };
  const stop = () => {
    if (timer) clearTimeout(timer);
    timer = null;
  };
  return {
    soon,
    stop,
    now: () => {
      stop();
      try {
        work();
      } catch (error) {
        soon();
        throw error;
      }
    },
  };
}
