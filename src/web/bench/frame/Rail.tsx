import { NavLink } from "react-router";
import { useOpen } from "../state/bench";
import { useTour } from "../tour/state";
import { changesIn, STAGES } from "./areas";
import { aheadOf } from "./screens";

/** The areas in working order, each with the number of its changes that are not live yet. */
export function Rail({ onHelp }: { onHelp: () => void }) {
  const { store, changes } = useOpen("store", "changes");
  const begin = useTour((state) => state.begin);
  return (
    <nav aria-label="Areas" className="flex w-[148px] shrink-0 flex-col overflow-y-auto border-r border-rule bg-paper py-3.5">
      {STAGES.map((stage) => (
        <div key={stage.name} className="mb-3">
          <p className="px-4 pb-0.5 text-[11.5px]/5 text-soft">{stage.name}</p>
          {stage.areas.map((area) => {
            const changed = changesIn(area, changes).length;
            return (
              <NavLink
                key={area.path}
                to={`/bench/${store.id}/${area.path}`}
                {...aheadOf(`/bench/${store.id}/${area.path}`)}
                className={({ isActive }) =>
                  `flex items-center justify-between px-4 py-[5px] no-underline text-ink hover:bg-raised ${isActive ? "bg-raised font-semibold shadow-[inset_3px_0_var(--press)]" : ""}`
                }
              >
                {area.name}
                {changed > 0 && (
                  <span className="text-[12px] font-semibold text-draft" title={`${changed} not live yet`}>
                    {changed}
                  </span>
                )}
              </NavLink>
            );
          })}
        </div>
      ))}
      <a href={`/shop/${store.id}`} target="_blank" rel="noreferrer" className="mt-auto px-4 py-1 text-[13px] text-soft hover:text-ink">
        Open the shop
      </a>
      <button type="button" onClick={onHelp} className="px-4 py-1 text-left text-[13px] text-soft hover:text-ink">
        Keyboard (?)
      </button>
      <button type="button" onClick={begin} className="px-4 py-1 text-left text-[13px] text-soft hover:text-ink">
        Show me around
      </button>
    </nav>
  );
}
