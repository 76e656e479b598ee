import type { Change } from "@core/insights/changes/changes";
import { Link } from "react-router";
import { AREAS } from "../frame/areas";
import { Diamond } from "../frame/TopBar";
import { useOpen } from "../state/bench";

/** One change, with a way to the area where it was made. */
export function ChangeLine({ change }: { change: Change }) {
  const { store } = useOpen("store");
  const area = AREAS.find((entry) => entry.parts.includes(change.part));
  return (
    <li className="flex min-h-9 items-center gap-2.5 border-b border-rule py-1">
      <Diamond />
      <span className="min-w-0 flex-1">
        <b className="font-semibold">{change.subject}</b> <span className="text-soft">{change.text}</span>
      </span>
      {area && (
        <Link to={`/bench/${store.id}/${area.path}`} className="text-[13px] text-soft hover:text-ink">
          {area.name}
        </Link>
      )}
    </li>
  );
}
