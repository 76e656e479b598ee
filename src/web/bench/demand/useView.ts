import { useSearchParams } from "react-router";

/** Which view of a table is looked at: in the address, so that links and reloads keep it. The first one is usual. */
export function useView<View extends string>(views: readonly View[]): [view: View, pick: (view: string) => void] {
  const [params, setParams] = useSearchParams();
  const pick = (next: string) =>
    setParams(
      (old) => {
        const changed = new URLSearchParams(old);
        changed.set("see", next);
        return changed;
      },
      { replace: true },
    );
  return [views.find((known) => known === params.get("see")) ?? views[0], pick];
}
