import { bandOf } from "@core/rank/bands";
import type { Hit } from "@core/search/request";
import { toRequest } from "../../../shop/address";
import { useFact } from "../../ask/useAsk";
import { useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";

const NONE: Hit[] = [];
const SHOWN = 14;
const ROW = 22;
const TOP = 20;

interface Row {
  hit: Hit;
  band: number;
}

/**
 * What the tie width does to the results at hand: on the left they stand by score alone, on the right as ties order them;
 * brackets join those that tie, lines show who changes places.
 */
export function TiePicture({ width }: { width: number }) {
  const { address, at } = useWindowParts("address", "at");
  const { settings, front } = useOpen("settings", "front");
  const body = { ...toRequest({ ...address, page: 1 }, ["title"], front), at, source: "draft" as const, limit: 250, explain: true };
  const hits = useFact("POST /api/stores/{store}/search", address.query.trim() === "" ? null : { body })?.hits ?? NONE;
  const first = firstGroup(hits);
  const directions = new Map(Object.values(settings.ranking.ties).map(({ field, direction }) => [field, direction]));
  const top = Math.max(0, ...first.map(({ score }) => score));
  const all = [...first].sort((a, b) => b.score - a.score).map((hit): Row => ({ hit, band: bandOf(hit.score, top, width) }));
  const tied = [...all].sort((a, b) => a.band - b.band || compareTies(a.hit, b.hit, width, directions) || b.hit.score - a.hit.score);
  const [rows, ordered] = [all.slice(0, SHOWN), tied.slice(0, SHOWN)];
  const moved = ordered.filter((row, i) => row !== rows[i]).length;
  if (address.query.trim() === "" || rows.length < 2)
    return <p className="mt-2 text-[13px] text-soft">Try a search in the window, and see here what ties do to it.</p>;
  const height = TOP + rows.length * ROW + 6;
  // What stands further down comes from, or goes to, the lower edge.
  const y = (place: number) => (place < 0 || place >= rows.length ? height + 4 : TOP + place * ROW + ROW / 2);
  return (
    <figure className="mt-2">
      <figcaption className="text-[12.5px] text-soft" role="status">
        {moved === 0
          ? `“${address.query}”: ties change nothing among the first ${rows.length}.`
          : `“${address.query}”: ${moved} of the first ${rows.length} are elsewhere than their score alone would put them.`}
      </figcaption>
      <svg
        viewBox={`0 0 475 ${height}`}
        className="mt-1 w-full text-[11px]"
        role="img"
        aria-label={`Order by score beside the order with ties, “${address.query}”`}
      >
        <text x="0" y="12" className="fill-soft">
          by score alone
        </text>
        <text x="292" y="12" className="fill-soft">
          with ties
        </text>
        {rows.map((row, place) => (
          <g key={row.hit.id}>
            <rect
              x="0"
              y={y(place) - 8}
              width={Math.max(2, (row.hit.score / top) * 148)}
              height="16"
              rx="2"
              className={row.band % 2 === 0 ? "fill-press-soft" : "fill-rule"}
            />
            <text x="4" y={y(place) + 4} className="fill-ink">
              {cut(row.hit.title, 24)}
            </text>
            <text x="182" y={y(place) + 4} textAnchor="end" className="fill-soft tabular-nums">
              {row.hit.score.toFixed(2)}
            </text>
          </g>
        ))}
        {rows
          .filter((row) => !ordered.includes(row))
          .map((row) => (
            <Line key={row.hit.id} from={y(rows.indexOf(row))} to={y(-1)} />
          ))}
        {ordered.map((row, place) => {
          const from = rows.indexOf(row);
          return (
            <g key={row.hit.id}>
              <Line from={y(from)} to={y(place)} />
              <text x="292" y={y(place) + 4} className={`fill-ink ${from === place ? "" : "font-semibold"}`}>
                {cut(row.hit.title, 30)}
              </text>
            </g>
          );
        })}
        {bracketsOf(rows).map(([from, to]) => (
          <path key={from} d={`M 188 ${y(from) - 7} h 4 V ${y(to) + 7} h -4`} fill="none" className="stroke-press" strokeWidth="1.25" />
        ))}
      </svg>
    </figure>
  );
}

/** From a place by score to a place with ties: green upwards, red downwards. */
function Line({ from, to }: { from: number; to: number }) {
  const look = from === to ? "stroke-rule" : to < from ? "stroke-gain" : "stroke-loss";
  return <path d={`M 196 ${from} C 240 ${from} 240 ${to} 284 ${to}`} fill="none" strokeWidth={from === to ? 1 : 1.5} className={look} />;
}

/** First and last place of the runs of rows that tie. */
function bracketsOf(rows: readonly Row[]): [number, number][] {
  const runs: [number, number][] = [];
  for (let from = 0; from < rows.length; ) {
    let to = from;
    while (to + 1 < rows.length && rows[to + 1].band === rows[from].band) to++;
    if (to > from && rows[from].band !== Number.MAX_SAFE_INTEGER) runs.push([from, to]);
    from = to + 1;
  }
  return runs;
}

const cut = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1)}…` : text);

/** Compares by the ties that the answer itself names, in their order. */
function compareTies(a: Hit, b: Hit, width: number, directions: ReadonlyMap<string, "asc" | "desc">): number {
  if (width === 0 && a.score !== b.score) return 0;
  for (const [i, tie] of (a.explain?.ties ?? []).entries()) {
    const [x, y] = [tie.value, b.explain?.ties[i]?.value ?? null];
    if (x === y) continue;
    if (x === null || y === null) return x === null ? 1 : -1;
    return directions.get(tie.field) === "asc" ? x - y : y - x;
  }
  return 0;
}

/** The results up to where another group of stock begins: bands are counted from the best of each. */
function firstGroup(hits: readonly Hit[]): Hit[] {
  const plain = hits.filter((hit) => hit.tier === hits[0]?.tier && hit.score > 0 && !hit.arranged.some(({ kind }) => kind === "pin"));
  const end = plain.findIndex((hit, i) => i > 0 && (hit.explain?.band ?? 0) < (plain[i - 1].explain?.band ?? 0));
  return end < 0 ? plain : plain.slice(0, end);
}
