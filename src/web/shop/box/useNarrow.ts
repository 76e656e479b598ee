import { useEffect, useState } from "react";

/** Up to this width, in CSS pixels, the open box fills the screen. */
const QUERY = "(max-width: 520px)";

/** Whether the window is as narrow as a phone's. @param isWatched false where it is decided otherwise. */
export function useNarrow(isWatched: boolean): boolean {
  const [isNarrow, setNarrow] = useState(() => isWatched && window.matchMedia(QUERY).matches);
  useEffect(() => {
    if (!isWatched) return;
    const list = window.matchMedia(QUERY);
    const onChange = () => setNarrow(list.matches);
    onChange();
    list.addEventListener("change", onChange);
    return () => list.removeEventListener("change", onChange);
  }, [isWatched]);
  return isNarrow;
}
