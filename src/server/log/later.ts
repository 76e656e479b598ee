/** Work that is put off to be done together with what comes meanwhile, such as writing a batch. */
interface Later {
  /** Sees to it that the work is done within a moment. */
  soon: () => void;
  /** Does the work now where that can be; where not, it is told and tried again within a moment. */
  now: () => void;
  /** Puts nothing off any longer; the last work is the caller's to do. */
  stop: () => void;
}

/**
 * Puts work off. Work that fails, as on a full disk, ends nothing: it is told and tried again.
 * @param after how long it may wait, in ms.
 */
export function later(work: () => void, after: number, tell: (error: unknown) => void): Later {
  let timer: NodeJS.Timeout | null = null;
  const soon = () => {
    timer ??= setTimeout(now, after);
  };
  const stop = () => {
    if (timer) clearTimeout(timer);
    timer = null;
  };
  const now = () => {
    stop();
    try {
      work();
    } catch (error) {
      tell(error);
      soon();
    }
  };
  return { soon, stop, now };
}
