import type { Change } from "@core/insights/changes/changes";
import { plural } from "@ui/format";
import { Link } from "react-router";
import { AREAS, changesIn } from "../frame/areas";
import { Diamond } from "../frame/TopBar";
import { useProducts } from "../pieces/useProducts";
import { useOpen } from "../state/bench";

/** Changes by the area where they are made, in the order of the work, each area with a way there. */
export function ChangesByArea({ changes }: { changes: readonly Change[] }) {
  const { store } = useOpen("store");
  const areas = AREAS.map((area) => ({ ...area, own: changesIn(area, changes) })).filter(({ own }) => own.length > 0);
  return areas.map(({ path, name, own }) => (
    <section key={path} aria-label={`Changes in ${name}`} className="border-t border-rule pt-1">
      <h3 className="flex items-baseline gap-2 pt-1 text-[13px]">
        <Link to={`/bench/${store.id}/${path}`} className="text-ink">
          {name}
        </Link>
        <span className="font-sans text-[12.5px] font-normal text-soft">{plural(own.length, "change")}</span>
      </h3>
      <ul>
        {own.map((change) => (
          <ChangeLine key={`${change.part}/${change.id}`} change={change} />
        ))}
      </ul>
    </section>
  ));
}

/** One change: what it is about, and what happened to it. */
export function ChangeLine({ change }: { change: Change }) {
  return (
    <li className="flex min-h-8 items-center gap-2.5 border-b border-rule py-1 last:border-b-0">
      <Diamond />
      <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
        <b className="font-semibold">{isOfProduct(change) ? <ProductSubject change={change} /> : change.subject}</b>{" "}
        <span className="text-soft">{change.text}</span>
      </span>
    </li>
  );
}

const isOfProduct = ({ part }: Change) => part === "products" || part === "related";

/** What is said of a product names it by its title, once that is known. */
function ProductSubject({ change: { id, subject } }: { change: Change }) {
  const title = useProducts([id]).get(id)?.title;
  return title ? subject.replace(id, () => `“${title}”`) : subject;
}
