import { useCallback, useEffect, useRef, useState } from "react";
import { useSearchParams } from "react-router";

/** Stands for an entry that is being made and has no id yet. */
export const NEW = "\u0000new";

/**
 * Which row of a screen is open: in the address, so that a reload, going back and a link sent to a colleague open it too.
 * @returns the row, null for none, and what opens one; that stays the same function.
 */
export function useOpenRow(): [open: string | null, setOpen: (id: string | null) => void] {
  const [params, setParams] = useSearchParams();
  // What is not made yet is nothing to come back to.
  const [isNew, setNew] = useState(false);
  const write = useRef(setParams);
  useEffect(() => {
    write.current = setParams;
  });
  const setOpen = useCallback((id: string | null) => {
    setNew(id === NEW);
    const change = (now: URLSearchParams) => {
      const next = new URLSearchParams(now);
      if (id === null || id === NEW) next.delete("open");
      else next.set("open", id);
      return next;
    };
    write.current(change, { replace: true });
  }, []);
  return [isNew ? NEW : params.get("open"), setOpen];
}
