import type { ReactNode } from "react";

interface Props {
  title: string;
  lead: string;
  /** The one main action of the screen. */
  action?: ReactNode;
  children: ReactNode;
}

/** The work column of an area. */
export function Screen({ title, lead, action, children }: Props) {
  return (
    <div className="h-full overflow-y-auto px-5 pt-4 pb-10">
      <div className="flex items-start gap-3">
        <div className="min-w-0 flex-1">
          <h1 className="text-[22px]/7">{title}</h1>
          <p className="mt-0.5 mb-3 max-w-[480px] text-soft">{lead}</p>
        </div>
        {action}
      </div>
      {children}
    </div>
  );
}

export function Section({ title, note, children }: { title: string; note?: ReactNode; children: ReactNode }) {
  return (
    <section className="mt-5">
      <div className="mb-1 flex items-baseline gap-2">
        <h2 className="text-[16px]/6">{title}</h2>
        {note && <span className="text-[12.5px] text-soft">{note}</span>}
      </div>
      {children}
    </section>
  );
}

/** What stands where nothing is yet: what to do first. */
export function Empty({ children }: { children: ReactNode }) {
  return <p className="border-y border-rule py-3 text-soft">{children}</p>;
}
