import type { Change } from "@core/insights/changes/changes";
import { lookUp } from "@core/records";
import { plural } from "@ui/format";
import { Link } from "react-router";
import { AREAS, changesIn } from "../frame/areas";
import { placeOf } from "../frame/where";
import { Diamond } from "../pieces/Diamond";
import { useProducts } from "../pieces/useProducts";
import { useOpen } from "../state/bench";

interface Props {
  changes: readonly Change[];
  /** Who changed what, by part and by part and entry. */
  people: Readonly<Record<string, readonly string[]>>;
}

/** Changes by the area where they are made, in the order of the work, each with whose it is and a way there. */
export function ChangesByArea({ changes, people }: Props) {
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
          <ChangeLine key={`${change.part}/${change.id}`} change={change} by={peopleOf(change, people)} isLink />
        ))}
      </ul>
    </section>
  ));
}

/** Who made a change; whoever changed something in the same part, where it is not known more exactly. */
function peopleOf({ part, id }: Change, people: Props["people"]): readonly string[] {
  const [entry] = id.split("/");
  return lookUp(people, `${part}/${id}`) ?? lookUp(people, `${part}/${entry}`) ?? lookUp(people, part) ?? [];
}

interface LineProps {
  change: Change;
  by?: readonly string[];
  /** Whether it leads to where the change was made. */
  isLink?: boolean;
}

/** One change: what it is about, what happened to it, and whose it is. */
export function ChangeLine({ change, by = [], isLink = false }: LineProps) {
  const { store } = useOpen("store");
  const subject = isOfProduct(change) ? <ProductSubject change={change} /> : change.subject;
  return (
    <li className="flex min-h-8 items-center gap-2.5 border-b border-rule py-1 last:border-b-0">
      <Diamond />
      <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
        {isLink ? (
          <Link to={`/bench/${store.id}/${placeOf(change)}`} className="font-semibold text-ink no-underline hover:text-press">
            {subject}
          </Link>
        ) : (
          <b className="font-semibold">{subject}</b>
        )}{" "}
        <span className="text-soft">{change.text}</span>
      </span>
      {by.length > 0 && <span className="max-w-[40%] shrink-0 truncate text-[12.5px] text-soft">{by.join(", ")}</span>}
    </li>
  );
}

const isOfProduct = ({ part }: Change) => part === "products" || part === "related";

/** What is said of a product names it by its title, once that is known. */
function ProductSubject({ change: { id, subject } }: { change: Change }) {
  const title = useProducts([id]).get(id)?.title;
  return title ? subject.replace(id, () => `“${title}”`) : subject;
}
