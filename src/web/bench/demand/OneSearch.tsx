import type { DemandAnswered, DemandOneSearch } from "@contract/demand";
import { standsOut } from "@core/demand/position-bias";
import { lookUp } from "@core/records";
import { Button } from "@ui/Button";
import { count, decimal, percent, plural } from "@ui/format";
import { ArrowLeft } from "lucide-react";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { Answered } from "../ask/Answered";
import { Skeleton } from "../ask/Skeleton";
import { useAsk } from "../ask/useAsk";
import { Empty, Section } from "../frame/Screen";
import { useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import { FiguresOf } from "./FiguresOf";
import { MEASURES } from "./measures";
import { PeriodBar } from "./PeriodBar";
import { PositionChart } from "./PositionChart";
import { SearchList } from "./SearchList";
import { useDemandAsked } from "./useDemandAsked";

const OWN = MEASURES.filter(({ id }) => id !== "visits");
/** Products of the chart. */
const DRAWN = 24;
/** Standard deviations from which clicks are more or less than a position gives. */
const FAR = 2.5;

/** All about one search: its figures over time, what was shown and clicked, what was searched before and after, what answers it. */
export function OneSearch({ text, onBack }: { text: string; onBack: () => void }) {
  const { choice, question, change } = useDemandAsked();
  const { try: tryOut } = useWindowParts("try");
  const asked = useAsk("GET /api/stores/{store}/demand/search", { query: { ...question, text } }, { of: "draft" });
  return (
    <div className="h-full overflow-y-auto px-5 pt-4 pb-10">
      <button type="button" onClick={onBack} className="flex items-center gap-1 text-[13px] text-soft hover:text-ink">
        <ArrowLeft className="size-3.5" /> All searches
      </button>
      <div className="mt-1 mb-2 flex items-start gap-3">
        <h1 className="min-w-0 flex-1 text-[22px]/7 break-words">{text}</h1>
        <Button onClick={() => tryOut(text)}>Try it</Button>
      </div>
      <PeriodBar
        choice={choice}
        change={change}
        languages={[]}
        hasYearAgo={asked.data?.yearAgo != null}
        period={asked.data?.now.period ?? null}
      />
      <Answered of={asked} loading={<Skeleton rows={10} height={44} />}>
        {(found) => <Found search={found} against={choice.against} />}
      </Answered>
    </div>
  );
}

function Found({ search, against }: { search: DemandOneSearch; against: "before" | "year" }) {
  const { forms } = search.search;
  return (
    <>
      {forms.length > 1 && (
        <p className="mb-3 text-[13px] text-soft">
          Also written{" "}
          {forms
            .slice(1, 8)
            .map((form) => `${form.text} (${count(form.asked)})`)
            .join(", ")}
          {forms.length > 8 && ` and ${plural(forms.length - 8, "other way", "other ways")}`}.
        </p>
      )}
      <FiguresOf of={search} against={against} keptFrom={search.kept.from} measures={OWN} />
      <Products search={search} />
      <Section title="Before and after" note="without a click between, in the weeks of the period">
        <div className="grid grid-cols-2 gap-x-6 text-[13px]">
          <SearchList name="Searched before it" searches={timesOf(search.cameFrom)} none="Nothing." />
          <SearchList name="Searched next" searches={timesOf(search.wentTo)} none="Nothing: it was clicked, or left." />
        </div>
      </Section>
      <Section title="What answers it now">
        <Answer search={search} />
      </Section>
      <Devices of={search.devices} />
    </>
  );
}

/** What was shown and clicked, by position, beside what the positions alone would give. */
function Products({ search: { products, search } }: { search: DemandOneSearch }) {
  const { store } = useOpen("store");
  const shown = products.slice(0, DRAWN);
  if (shown.length === 0)
    return (
      <Section title="What was shown and clicked">
        <Empty>{search.now.asked === 0 ? "It was not asked in this period." : "It showed no products."}</Empty>
      </Section>
    );
  const outstanding = products.filter((product) => sayStanding(product) !== null);
  return (
    <Section title="What was shown and clicked" note="in the weeks of the period">
      <p className="mb-1 flex gap-4 text-[12px] text-soft" aria-hidden>
        <span className="flex items-center gap-1.5">
          <span className="size-2.5 bg-live" /> Clicked
        </span>
        <span className="flex items-center gap-1.5">
          <span className="size-2 rounded-full border-[1.5px] border-ink" /> What the position alone would give
        </span>
      </p>
      <PositionChart
        products={shown}
        label={`Clicks of ${plural(shown.length, "product")} by mean position; ${plural(outstanding.length, "product")} clicked much more or less than their positions give`}
      />
      <table className="mt-2 w-full text-[13px] tabular-nums">
        <thead>
          <tr className="border-b border-ink text-left text-[12px] text-soft">
            <th className="h-7 w-9 text-right font-normal" title="Mean position">
              At
            </th>
            <th className="pl-2.5 font-normal">Product</th>
            <th className="text-right font-normal">Shown</th>
            <th className="w-[104px] text-right font-normal">Clicked, expected</th>
            <th className="w-14 text-right font-normal">Orders</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((product) => (
            <tr key={product.id} className="border-b border-rule">
              <td className="py-1 text-right text-soft">{decimal(product.position, 1)}</td>
              <td className="max-w-0 truncate pl-2.5">
                <Link
                  className="text-ink no-underline hover:text-press"
                  to={`/bench/${store.id}/catalogue/products/${encodeURIComponent(product.id)}`}
                >
                  {product.title || product.id}
                </Link>
              </td>
              <td className="text-right">{count(product.shown)}</td>
              <td className="text-right">
                <Standing product={product} />
              </td>
              <td className="text-right">{count(product.ordered)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Section>
  );
}

/** Whether a product is clicked far more or less than its position gives; null where it cannot be told. */
function sayStanding({ clicked, expected }: DemandAnswered): "more" | "less" | null {
  const by = standsOut(clicked, expected);
  return by > FAR ? "more" : by < -FAR ? "less" : null;
}

function Standing({ product }: { product: DemandAnswered }) {
  const standing = sayStanding(product);
  const tone = standing === "more" ? "font-semibold text-gain" : standing === "less" ? "font-semibold text-loss" : "";
  const says = standing === null ? "" : `Clicked far ${standing} often than its position alone would give`;
  return (
    <span title={says}>
      <span className={tone}>
        {standing === "more" && "▲ "}
        {standing === "less" && "▼ "}
        {count(product.clicked)}
      </span>
      <span className="text-soft"> / {count(product.expected)}</span>
      {says && <span className="sr-only">{says}</span>}
    </span>
  );
}

const timesOf = (searches: DemandOneSearch["wentTo"]) => searches.map(({ text, times }) => ({ text, figure: count(times) }));

const LINK = "font-semibold text-press no-underline hover:underline";

/** What it finds now, by which rules, and where more can be done about it. */
function Answer({ search: { search, found, rules } }: { search: DemandOneSearch }) {
  const { store } = useOpen("store");
  const base = `/bench/${store.id}`;
  const query = `q=${encodeURIComponent(search.text)}`;
  const ids = [...new Set([...rules.draft, ...rules.live])];
  return (
    <div className="border-t border-rule pt-2 text-[13px]">
      <p>
        {plural(found.draft, "product")} in the draft
        {found.live === found.draft ? ", as in what is live" : `, ${count(found.live)} in what is live`}.
      </p>
      {ids.length > 0 && (
        <ul className="mt-1">
          {ids.map((id) => (
            <RuleLine key={id} id={id} note={!rules.draft.includes(id) ? "live only" : !rules.live.includes(id) ? "draft only" : ""} />
          ))}
        </ul>
      )}
      <p className="mt-2 flex flex-wrap gap-x-4 gap-y-1">
        <Link className={LINK} to={`${base}/shelves/this-search?${query}`}>
          Arrange its results
        </Link>
        <Link className={LINK} to={`${base}/words/rules?word=${encodeURIComponent(search.text)}&${query}`}>
          Add a word rule
        </Link>
        <Link className={LINK} to={`${base}/no-results/repair?open=${encodeURIComponent(search.text)}&${query}`}>
          Look for a repair
        </Link>
      </p>
    </div>
  );
}

function RuleLine({ id, note }: { id: string; note: string }): ReactNode {
  const { store, settings } = useOpen("store", "settings");
  const base = `/bench/${store.id}`;
  const shelf = lookUp(settings.shelves, id);
  const word = lookUp(settings.words, id);
  const boost = lookUp(settings.boosts, id);
  const [name, to] = shelf
    ? [`Shelf: ${shelf.name}`, `${base}/shelves/this-search?shelf=${encodeURIComponent(id)}`]
    : word
      ? [`Word rule: ${word.words.slice(0, 3).join(", ")}`, `${base}/words/rules?open=${encodeURIComponent(id)}`]
      : boost
        ? [`Boost: ${boost.name}`, `${base}/ranking/boosts?open=${encodeURIComponent(id)}`]
        : [id, null];
  return (
    <li className="flex gap-2 border-b border-rule py-1">
      {to ? (
        <Link className={LINK} to={to}>
          {name}
        </Link>
      ) : (
        name
      )}
      {note && <span className="text-soft">{note}</span>}
    </li>
  );
}

const DEVICE_NAMES: Record<string, string> = { phone: "phones", tablet: "tablets", desktop: "desktops", "": "unknown devices" };

function Devices({ of }: { of: DemandOneSearch["devices"] }) {
  const all = of.reduce((sum, { asked }) => sum + asked, 0);
  if (all === 0) return null;
  return (
    <p className="mt-4 text-[13px] text-soft">
      Asked on {of.map(({ device, asked }) => `${lookUp(DEVICE_NAMES, device) ?? device} ${percent(asked / all)}`).join(", ")}.
    </p>
  );
}
