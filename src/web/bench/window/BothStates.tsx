import type { SearchAnswer, ShopFront } from "@contract/search";
import { lookUp } from "@core/records";
import type { Hit } from "@core/search/request";
import { plural } from "@ui/format";
import { ShortPrice } from "../../shop/card/ShortPrice";
import { roleKey } from "../../shop/client";
import type { LiveRanks } from "../state/window";
import { Moved } from "./Edge";
import { movementOf } from "./movement";

interface State {
  title: string;
  tone: string;
  answer: SearchAnswer;
}

export const DRAFT = { title: "Draft", tone: "border-draft-mark text-draft" };
export const LIVE = { title: "Live", tone: "border-live text-live" };

interface Props {
  next: State;
  now: State;
  before: LiveRanks;
  front: ShopFront;
  /** Whether both are of the search before, while the one at hand is on its way. */
  isOld?: boolean;
}

/** Two states side by side, place by place: what would be, and what is. @param before places in what is. */
export function BothStates({ next, now, before, front, isOld = false }: Props) {
  const inNext = new Set(next.answer.hits.map((hit) => hit.id));
  const moved = (hit: Hit) => <Moved movement={movementOf(hit.id, hit.position, before)} />;
  const gone = (hit: Hit) => (inNext.has(hit.id) ? null : <span className="font-semibold text-loss">gone from here</span>);
  // What is of another search than the one at hand says nothing of it.
  return (
    <div className={`grid grid-cols-2 ${isOld ? "opacity-45" : ""}`} inert={isOld}>
      <Column {...next} front={front} mark={isOld ? nothing : moved} />
      <Column {...now} front={front} mark={isOld ? nothing : gone} />
    </div>
  );
}

const nothing = () => null;

interface ColumnProps {
  title: string;
  tone: string;
  answer: SearchAnswer;
  front: ShopFront;
  mark: (hit: Hit) => React.ReactNode;
}

function Column({ title, tone, answer, front, mark }: ColumnProps) {
  return (
    <section aria-label={title} className="min-w-0 border-r border-rule last:border-r-0">
      <h2 className={`sticky top-0 z-10 flex items-baseline gap-2 border-b-2 bg-raised px-3 py-1 text-[14px] ${tone}`}>
        {title}
        <span className="font-sans text-[12.5px] font-normal text-soft">
          {answer.outcome === "dead-end" ? "nothing found" : plural(answer.total, "product")}
        </span>
      </h2>
      {answer.deadEnd && <p className="px-3 py-2">{answer.deadEnd.message}</p>}
      <ol className="shop">
        {answer.hits.map((hit) => {
          const picture = lookUp(hit.fields, roleKey(front, "picture") ?? "");
          return (
            <li key={hit.id} className="flex h-[57px] gap-2 overflow-hidden border-b border-rule px-3 py-1.5">
              <span className="w-5 shrink-0 pt-0.5 text-right font-semibold">{hit.position}</span>
              <span className="size-11 shrink-0 overflow-hidden rounded-[3px] bg-raised">
                {typeof picture === "string" && <img src={picture} alt="" className="size-full object-cover" />}
              </span>
              <span className="min-w-0 flex-1">
                <span className="line-clamp-1 text-[13px] font-semibold">{hit.title}</span>
                <span className="flex items-baseline gap-x-2 whitespace-nowrap text-[12px]">
                  <ShortPrice fields={hit.fields} front={front} />
                  {hit.arranged.some((entry) => entry.kind === "pin") && <span className="font-semibold text-[#5b2a4e]">pinned</span>}
                  {mark(hit)}
                </span>
              </span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
