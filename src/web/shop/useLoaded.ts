import { isAborted, sayError } from "@ui/http";
import { useEffect, useRef, useState } from "react";

interface Loaded<T> {
  key: string | null;
  answer: T | null;
  failure: string | null;
}

/**
 * What a page of the shop shows once it is loaded; nothing of another key is ever shown, however late it comes.
 * @param key says what is loaded; null loads nothing.
 */
export function useLoaded<T>(key: string | null, load: (signal: AbortSignal) => Promise<T>): Pick<Loaded<T>, "answer" | "failure"> {
  const [loaded, setLoaded] = useState<Loaded<T>>({ key: null, answer: null, failure: null });
  const latest = useRef(load);
  latest.current = load;
  useEffect(() => {
    if (key === null) return;
    const controller = new AbortController();
    latest.current(controller.signal).then(
      (answer) => controller.signal.aborted || setLoaded({ key, answer, failure: null }),
      (error) => isAborted(error) || controller.signal.aborted || setLoaded({ key, answer: null, failure: sayError(error) }),
    );
    return () => controller.abort();
  }, [key]);
  return loaded.key === key ? loaded : { answer: null, failure: null };
}
