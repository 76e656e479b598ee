import type { ReactNode } from "react";

/** Settings one below the other: what each is about on the left, its control on the right; with more or less room for either. */
export function Lines({ children, wide = false, narrow = false }: { children: ReactNode; wide?: boolean; narrow?: boolean }) {
  return (
    <div
      className={`grid items-center gap-x-3 gap-y-2 border-t border-rule py-2 text-[13px] ${narrow ? "grid-cols-[76px_minmax(0,1fr)]" : wide ? "grid-cols-[110px_minmax(0,1fr)]" : "grid-cols-[150px_minmax(0,1fr)]"}`}
    >
      {children}
    </div>
  );
}

interface LineProps {
  name: string;
  /** Why what was filled in was not taken. */
  problem?: string;
  children: ReactNode;
}

export function Line({ name, problem, children }: LineProps) {
  return (
    <>
      <span className="self-start pt-1 text-soft">{name}</span>
      <div className="flex min-w-0 flex-wrap items-center gap-2">
        {children}
        {problem && (
          <p role="alert" className="basis-full text-[12.5px] text-loss">
            {problem}
          </p>
        )}
      </div>
    </>
  );
}
