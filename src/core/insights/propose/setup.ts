import { fieldFacts } from "../../index/facts";
import type { LogStats, QueryStats } from "../../log/tally";
import { prepare, type Searcher } from "../../prepare/searcher";
import { counted, type Progress } from "../../progress";
import { lookUp, setOwn } from "../../records";
import { requestOf } from "../../search/request";
import { search } from "../../search/search";
import { add, freeId, type PatchOperation, set } from "../../settings/patch";
import { labelIn } from "../../settings/ranked";
import { fieldsOfFilter } from "../../settings/read-filter";
import type { Settings } from "../../settings/schema";
import { attributeEffects } from "../measure/attribute-effect";
import { holdsColours, proposeColourGroups } from "../words/colour-groups";

/** A part of a proposed set-up, to be taken or left by itself. */
export interface SetupPart {
  id: string;
  /** What it does ("Search in Botanical name"). */
  title: string;
  /** What speaks for it, with figures of this catalogue and these searches. */
  reason: string;
  operations: PatchOperation[];
}

/** What a set-up is worked out from. */
interface SetupEvidence {
  /** The draft. */
  searcher: Searcher;
  stats: LogStats;
  /** What a fresh import of the same catalogue starts from. */
  defaults: Settings;
  /** The moment, for rules with dates. */
  at: number;
}

const MOST_QUERIES = 80;
const LEAST_CLICKS = 3;
const PAGE = 24;
/** A weight is proposed when the clicked products stand better by this share. */
const WORTH = 0.005;

/**
 * A whole set-up beside the draft, part by part: fields to search or to leave out, weights that bring forward what shoppers
 * clicked, filters, what decides among equal scores, groups of colours. The generator pauses between the steps of the work.
 */
export function* proposeSetup(evidence: SetupEvidence): Generator<unknown, SetupPart[]> {
  return [
    ...(yield* searchedParts(evidence)),
    ...(yield* weightParts(evidence)),
    ...sentenceParts(evidence),
    ...filterParts(evidence),
    ...tieParts(evidence),
    ...groupParts(evidence),
  ];
}

const percent = (share: number) => `${Math.round(share * 100)} %`;

/** Fields that a fresh import would search and the draft does not, and the other way round. */
function* searchedParts({ searcher, stats, defaults, at }: SetupEvidence): Generator<unknown, SetupPart[]> {
  const { settings, index, base } = searcher;
  const facts = new Map(fieldFacts(index).map((field) => [field.key, field]));
  const differing = Object.entries(defaults.attributes).filter(
    ([key, { searchable }]) => facts.has(key) && searchable !== (lookUp(settings.attributes, key)?.searchable ?? false),
  );
  if (differing.length === 0) return [];
  const added = differing.filter(([, attribute]) => attribute.searchable);
  const wider = prepare(base, { ...settings, attributes: { ...settings.attributes, ...Object.fromEntries(added) } }, searcher);
  const effects = yield* attributeEffects(wider, stats.queries.slice(0, MOST_QUERIES), at);
  return differing.map(([key, attribute]): SetupPart => {
    const field = facts.get(key);
    const label = field?.label ?? key;
    const alone = effects.get(key)?.alone ?? 0;
    const fill = `Filled for ${percent(field?.coverage ?? 0)} of the products`;
    if (attribute.searchable) {
      const reason = `${fill}, ${field?.distinct ?? 0} different values${alone > 0 ? `; it alone would answer for a result in ${alone} of last week's searches` : ""}.`;
      return { id: `search-${key}`, title: `Search in ${label}`, reason, operations: [add(["attributes", key], attribute)] };
    }
    const reason =
      field?.shown === false
        ? "Shoppers never see it, and could not tell why a product matched."
        : `${fill}; its values are no words that shoppers type.`;
    return {
      id: `leave-${key}`,
      title: `Leave ${label} out`,
      reason,
      operations: [set(["attributes", key, "searchable"], false)],
    };
  });
}

/**
 * Weights that bring forward what shoppers clicked: each searched field is tried at twice and at half its weight, the others
 * as they are, and kept where clicked products stand better (coordinate ascent, one sweep).
 */
function* weightParts({ searcher, stats, at }: SetupEvidence): Generator<unknown, SetupPart[]> {
  const queries = stats.queries
    .filter(({ products }) => products.reduce((sum, { clicks }) => sum + clicks, 0) >= LEAST_CLICKS)
    .slice(0, MOST_QUERIES);
  if (queries.length < 5) return [];
  let settings = searcher.settings;
  let best = yield* clickGain(searcher, queries, at, null);
  const parts: SetupPart[] = [];
  const searched = Object.entries(settings.attributes).filter(
    ([key, { searchable, weight }]) => searchable && weight > 0 && searcher.index.fields.some((field) => field.key === key),
  );
  for (const [[key, { weight }], progress] of counted(searched, "fields")) {
    let chosen: { weight: number; gain: number; settings: Settings } | null = null;
    for (const tried of [Math.min(10, weight * 2), Math.max(0.5, weight / 2)]) {
      if (tried === weight) continue;
      const changed = {
        ...settings,
        attributes: { ...settings.attributes, [key]: { ...lookUp(settings.attributes, key), weight: tried } },
      };
      const gain = yield* clickGain(prepare(searcher.base, changed, searcher), queries, at, progress);
      if (gain > best * (1 + WORTH) && gain > (chosen?.gain ?? 0)) chosen = { weight: tried, gain, settings: changed };
    }
    if (!chosen) continue;
    const label = searcher.index.fields.find((field) => field.key === key)?.label ?? key;
    const share = ((chosen.gain / best - 1) * 100).toFixed(1);
    parts.push({
      id: `weight-${key}`,
      title: `Weight of ${label}: ${chosen.weight}, today ${weight}`,
      reason: `What shoppers clicked in the ${queries.length} most asked searches would rank better by ${share} %.`,
      operations: [set(["attributes", key, "weight"], chosen.weight)],
    });
    ({ settings, gain: best } = chosen);
  }
  return parts;
}

/** How well the clicked products stand: clicks discounted by the place where they are found now, as in DCG. */
function* clickGain(searcher: Searcher, queries: readonly QueryStats[], at: number, progress: Progress | null): Generator<unknown, number> {
  let sum = 0;
  for (const { text, products } of queries) {
    yield progress;
    const { hits } = search(searcher, requestOf({ query: text, limit: PAGE, fields: [] }), { at, visible: () => false });
    const places = new Map(hits.map(({ id, position }) => [id, position]));
    for (const { id, clicks } of products) {
      const position = places.get(id);
      if (position !== undefined) sum += clicks / Math.log2(position + 1);
    }
  }
  return sum;
}

/** Bare numbers, which find nothing until words are around them. */
function sentenceParts({ searcher: { settings, base }, defaults }: SetupEvidence): SetupPart[] {
  return fieldFacts(base).flatMap((field): SetupPart[] => {
    const form = lookUp(defaults.sentences, field.key);
    if (form === undefined || lookUp(settings.sentences, field.key) !== undefined) return [];
    const [sample] = field.samples;
    return [
      {
        id: `sentence-${field.key}`,
        title: `${field.label} is searched as “${form}”`,
        reason: `Filled for ${percent(field.coverage)} of the products with bare numbers${sample ? ` (${sample})` : ""}: by itself a number finds nothing in it.`,
        operations: [add(["sentences", field.key], form)],
      },
    ];
  });
}

/** Filters that a fresh import would start with and the draft has not. */
function filterParts({ searcher: { settings, index }, defaults }: SetupEvidence): SetupPart[] {
  const facts = new Map(fieldFacts(index).map((field) => [field.key, field]));
  const used = new Set(Object.values(settings.filters).flatMap(fieldsOfFilter));
  return Object.values(defaults.filters).flatMap((filter): SetupPart[] => {
    const field = facts.get(fieldsOfFilter(filter)[0]);
    if (!field || used.has(field.key)) return [];
    const label = labelIn(filter.label, index.locale, field.label);
    return [
      {
        id: `filter-${field.key}`,
        title: `Filter by ${label}`,
        reason: `Filled for ${percent(field.coverage)} of the products, ${field.distinct} different values.`,
        operations: [add(["filters", freeId(settings.filters, field.key)], filter)],
      },
    ];
  });
}

/** What decides among equal scores, where nothing does yet. */
function tieParts({ searcher: { settings, index }, defaults }: SetupEvidence): SetupPart[] {
  if (Object.keys(settings.ranking.ties).length > 0) return [];
  return Object.entries(defaults.ranking.ties).map(([id, tie]) => ({
    id: `tie-${tie.field}`,
    title: `${index.fields.find((field) => field.key === tie.field)?.label ?? tie.field} decides among equal scores`,
    reason: "Nothing decides yet where two products match about equally well.",
    operations: [add(["ranking", "ties", id], tie)],
  }));
}

/** Groups of colours for fields that shoppers filter by. */
function groupParts({ searcher: { settings, index } }: SetupEvidence): SetupPart[] {
  const filtered = new Set(Object.values(settings.filters).flatMap(fieldsOfFilter));
  return index.fields.flatMap((field, f): SetupPart[] => {
    if (!filtered.has(field.key) || !holdsColours(index, f)) return [];
    const groups = proposeColourGroups(index, f, settings.groups);
    if (groups.length < 3) return [];
    const taken: Record<string, unknown> = { ...settings.groups };
    const language = index.locale.split("-")[0];
    const operations = groups.map(({ label, colour, values }): PatchOperation => {
      const id = freeId(taken, `${field.key}-${label}`);
      setOwn(taken, id, true);
      const value = { field: field.key, label: { [language]: label }, colour, values, on: true };
      return add(["groups", id], value);
    });
    const values = groups.reduce((sum, group) => sum + group.values.length, 0);
    return [
      {
        id: `groups-${field.key}`,
        title: `${groups.length} groups of colours in ${field.label}`,
        reason: `${values} values under ${groups.length} names that shoppers use: ${groups
          .slice(0, 4)
          .map(({ label }) => label)
          .join(", ")} …`,
        operations,
      },
    ];
  });
}
