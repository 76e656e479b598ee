import { colourDistance, isThing, lookOfColour, perceived } from "@core/catalogue/colours";
import { keysOf, numberOf } from "@core/catalogue/text-of";
import type { Catalogue, Field, Product, Value } from "@core/catalogue/types";
import { optionValue } from "@core/index/columns";
import { compareCodePoints } from "@core/index/strings";
import { fieldTexts, visitWords } from "@core/index/words";
import { areColours } from "@core/prepare/values";
import { editsAllowed } from "@core/query/edits";
import { sortedLetters } from "@core/query/expand";
import { QUALITY } from "@core/query/types";
import { PREFERENCE } from "@core/rank/rules";
import { SHARES } from "@core/rank/score";
import type { SearchRequest } from "@core/search/request";
import type { Filter } from "@core/settings/filter";
import { fieldsOfFilter } from "@core/settings/read-filter";
import type { Settings } from "@core/settings/schema";
import { stemmerOf } from "@core/text/stem";
import { hasDigit, tokenise } from "@core/text/tokens";
import { referenceShelf } from "./reference-shelf";

/**
 * A slow search that is easy to believe: it looks at every product for every question, keeps nothing, and knows no
 * index. It covers words, forms, synonyms, ignored words, values and value groups, words that stand for a part of the
 * range, completion, correction, widening, "partial", scores, order, pins, hides and filters; the core must answer the same.
 */

/** A named value counts this much in a field that is not searched. */
const VALUE_WEIGHT = 2;
const LENGTH_SHARES = { lot: 0.75, some: 0.35, none: 0 };

interface Occurrence {
  word: string;
  position: number;
}

interface Way {
  /** Words that must follow one another, each one of several; none for a named value. */
  slots: string[][];
  quality: number;
  /** Values of a field, any of which answers. */
  named?: { f: number; label: string; values: string[] };
}

interface Unit {
  label: string;
  stem: string;
  ways: Way[];
  isKnown: boolean;
}

export interface ReferenceAnswer {
  ids: string[];
  scores: Map<string, number>;
  leftOut: string[];
  searched: string;
  counts: Record<string, Record<string, number>>;
}

export function referenceSearch(
  catalogue: Catalogue,
  settings: Settings,
  request: SearchRequest,
  scoresOf: ReadonlyMap<string, number> | null,
): ReferenceAnswer {
  const { fields, products } = catalogue;
  const stem = stemmerOf(catalogue.locale);
  const words = products.map((product) => fields.map((field) => occurrences(field, product)));
  const surfaces = new Map<string, string>();
  for (const product of products) {
    for (const field of fields) {
      visitWords(fieldTexts(field, product), false, (word, surface) => {
        const known = surfaces.get(word);
        if (known === undefined || surface < known) surfaces.set(word, surface);
      });
    }
  }
  const terms = [...surfaces.keys()].sort();
  const stemOf = (term: string) => stem(surfaces.get(term) ?? term);
  const searched = fields
    .map((field, f) => ({ f, attribute: settings.attributes[field.key] }))
    .filter(({ attribute }) => attribute?.searchable && attribute.weight > 0);
  const isHeld = (term: string) => words.some((product) => searched.some(({ f }) => product[f].some((entry) => entry.word === term)));
  const held = new Set(terms.filter(isHeld));
  const frequency = (term: string) => words.filter((product) => product.some((field) => field.some((entry) => entry.word === term))).length;
  const largest = Math.max(0, ...searched.map(({ attribute }) => attribute.weight));
  const k1 = 1.2 * (largest || 10);

  const formsOf = (word: string, wordStem: string): Way[] => [
    ...(surfaces.has(word) ? [{ slots: [[word]], quality: QUALITY.exact }] : []),
    ...terms.filter((term) => term !== word && stemOf(term) === wordStem).map((term) => ({ slots: [[term]], quality: QUALITY.form })),
  ];

  const rules = Object.entries(settings.words).sort(([a], [b]) => (a < b ? -1 : 1));
  const stemsOf = (text: string) => tokenise(text).map((token) => stem(token.surface));
  const standsAt = (name: string[], tokens: { stem: string }[], i: number) =>
    name.length > 0 && name.every((part, k) => tokens[i + k]?.stem === part);
  const ignored = rules.flatMap(([, rule]) => (rule.does === "ignore" && rule.on ? rule.words.map(stemsOf) : []));

  // What can be named: the values of the fields with a filter, and the groups.
  const filtered = Object.values(settings.filters).map(keyOfFilter);
  const valueNames = filtered.map((key) => {
    const f = fields.findIndex((field) => field.key === key);
    const values = new Set(
      fields[f].type === "number"
        ? []
        : products.flatMap((product) => optionsOf(product).flatMap((o) => keysOf(fields[f], optionValue(fields[f], product, o)))),
    );
    return [...values].map((value) => ({ name: stemsOf(value), f, label: value, values: [value] }));
  });
  // Lists of values that are colours: a named colour that nothing holds means the nearest of them.
  const colourLists = valueNames.flatMap((names): [number, string[]][] => {
    const values = names.map(({ label }) => label).sort(compareCodePoints);
    return names[0] && fields[names[0].f].type === "list" && areColours(values) ? [[names[0].f, values]] : [];
  });
  const groupNames = Object.values(settings.groups).map((group) => {
    const [label] = Object.values(group.label);
    return { name: stemsOf(label), f: fields.findIndex((field) => field.key === group.field), label, values: [...group.values, label] };
  });
  const holdsOne = (product: Product, f: number, values: string[]) =>
    optionsOf(product).some((o) => keysOf(fields[f], optionValue(fields[f], product, o)).some((key) => values.includes(key)));

  const makeUnits = (all: string[], isRest: boolean): Unit[] => {
    const given = all.map((text) => ({ text, stem: stem(text) }));
    const dropped = new Set(
      given.flatMap((_, i) => {
        const longest = Math.max(0, ...ignored.filter((name) => standsAt(name, given, i)).map((name) => name.length));
        return Array.from({ length: longest }, (_one, k) => i + k);
      }),
    );
    const tokens = dropped.size === given.length && !isRest ? given : given.filter((_, i) => !dropped.has(i));
    const units = tokens.map(
      ({ text, stem: own }): Unit => ({
        label: text,
        stem: own,
        ways: formsOf(text, own),
        isKnown: formsOf(text, own).some((way) => held.has(way.slots[0][0])),
      }),
    );
    for (let i = 0; i < tokens.length; ) {
      const fitting = rules.flatMap(([, rule]) => {
        if (rule.does !== "synonym" || !rule.on) return [];
        return rule.words
          .map((left) => ({ rule, left: tokenise(left).map((token) => stem(token.surface)), text: left }))
          .filter(({ left }) => left.every((part, k) => tokens[i + k]?.stem === part));
      });
      const longest = Math.max(0, ...fitting.map(({ left }) => left.length));
      for (const { rule, left, text } of fitting) {
        if (left.length !== longest) continue;
        for (const right of rule.words.filter((other) => other !== text)) {
          const slots = tokenise(right).map((token) => terms.filter((term) => term === token.word || stemOf(term) === stem(token.surface)));
          if (slots.some((slot) => slot.length === 0)) continue;
          const added =
            slots.length > 1
              ? [{ slots, quality: rule.quality }]
              : slots[0].map((term) => ({ slots: [[term]], quality: rule.quality * (term === right ? 1 : QUALITY.form) }));
          for (let k = 0; k < longest; k++) {
            units[i + k].ways.push(...added);
            units[i + k].isKnown ||= added.length > 0;
          }
        }
      }
      i += Math.max(1, longest);
    }
    for (const names of [...valueNames, groupNames]) {
      for (let i = 0; i < tokens.length; ) {
        const fitting = names.filter(({ name }) => standsAt(name, tokens, i));
        const longest = Math.max(0, ...fitting.map(({ name }) => name.length));
        for (const named of fitting) {
          if (named.name.length !== longest || !products.some((product) => holdsOne(product, named.f, named.values))) continue;
          for (let k = 0; k < longest; k++) {
            units[i + k].ways.push({ slots: [], quality: QUALITY.value, named });
            units[i + k].isKnown = true;
          }
        }
        i += Math.max(1, longest);
      }
    }
    for (const [i, { text, stem: own }] of tokens.entries()) {
      const isNamed = [...valueNames, groupNames].some((names) =>
        names.some(({ name }) => name.some((_, k) => i >= k && standsAt(name, tokens, i - k))),
      );
      const look = lookOfColour(text, true);
      if (!look || isThing(text) || isNamed || formsOf(text, own).some((way) => held.has(way.slots[0][0]))) continue;
      for (const [f, values] of colourLists) {
        const known = values.flatMap((value) => lookOfColour(value) ?? []).map(perceived);
        const distances = known.map((other) => colourDistance(other, perceived(look)));
        const label = values[distances.indexOf(Math.min(...distances))];
        units[i].ways.push({ slots: [], quality: QUALITY.nearColour, named: { f, label, values: [label] } });
        units[i].isKnown = true;
      }
    }
    const last = units.at(-1);
    if (last && !last.isKnown && !hasDigit(last.label)) {
      const completions = terms
        .filter((term) => held.has(term) && term.startsWith(last.label) && term !== last.label)
        .sort((a, b) => frequency(b) - frequency(a) || (a < b ? -1 : 1))
        .slice(0, 64);
      last.ways.push(...completions.map((term) => ({ slots: [[term]], quality: QUALITY.prefix })));
      last.isKnown = completions.length > 0;
    }
    return units;
  };

  const positionsOf = (way: Way, product: number, f: number): number[] => {
    if (way.named) return [];
    const at = (position: number, slot: string[]) =>
      words[product][f].some((entry) => entry.position === position && slot.includes(entry.word));
    const starts = words[product][f].filter((entry) => way.slots[0].includes(entry.word)).map((entry) => entry.position);
    const found =
      way.slots.length === 1 ? starts : [...new Set(starts)].filter((start) => way.slots.every((slot, k) => at(start + k, slot)));
    return found.sort((a, b) => a - b);
  };
  const answers = (unit: Unit, product: number) =>
    unit.ways.some(
      (way) =>
        searched.some(({ f }) => positionsOf(way, product, f).length > 0) ||
        (way.named !== undefined && holdsOne(products[product], way.named.f, way.named.values)),
    );

  const hidden = new Set(
    Object.values(settings.hides).flatMap((hide) => (hide.on && hide.places.includes("searching") ? (hide.products ?? []) : [])),
  );
  const isSoldOut = (p: number) => optionsOf(products[p]).every((o) => Number(optionValue(fieldOf(fields, "stock"), products[p], o)) <= 0);
  const shelf = Object.values(settings.shelves).find((entry) => entry.on && entry.searches.some((search) => search.text === request.query));
  const arranged = referenceShelf(catalogue, settings, shelf, (p) => hidden.has(products[p].id), isSoldOut);
  const open = products.map((_, p) => p).filter((p) => !hidden.has(products[p].id));

  // Words that stand for a part of the range.
  const typed = tokenise(request.query).map((token) => token.word);
  const tokensTyped = typed.map((text) => ({ text, stem: stem(text) }));
  const pointers: { at: number[]; as: "filter" | "prefer"; holds: (p: number) => boolean }[] = [];
  for (let i = 0; i < typed.length; ) {
    const fitting = rules
      .flatMap(([, rule]) => (rule.does === "intent" && rule.on ? rule.words.map((text) => ({ rule, name: stemsOf(text) })) : []))
      .filter(({ name }) => standsAt(name, tokensTyped, i))
      .sort((a, b) => b.name.length - a.name.length)[0];
    if (!fitting || !("field" in fitting.rule.target)) {
      i++;
      continue;
    }
    const { field, value } = fitting.rule.target;
    const group = Object.values(settings.groups).find((entry) => entry.field === field && Object.values(entry.label).includes(value));
    const values = group ? [...group.values, ...Object.values(group.label)] : [value];
    const holds = (p: number) =>
      holdsOne(
        products[p],
        fields.findIndex((entry) => entry.key === field),
        values,
      );
    if (products.some((_, p) => holds(p))) pointers.push({ at: fitting.name.map((_, k) => i + k), as: fitting.rule.as, holds });
    i += fitting.name.length;
  }

  // Correction of words that no searched field holds.
  const correct = (rest: number[], among: number[], first: Unit[], isRest: boolean): { texts: string[]; units: Unit[] } => {
    const others = among.filter((p) => first.filter((unit) => unit.isKnown).every((unit) => answers(unit, p)));
    const corrected = typed.map((word, i) => {
      const unit = rest.includes(i) ? first.find((entry) => entry.label === word) : undefined;
      if (!unit || unit.isKnown || hasDigit(word)) return word;
      const candidates = terms
        .filter((term) => held.has(term) && !hasDigit(term) && slowDistance(word, term) <= editsAllowed(word) && term !== word)
        .sort(
          (a, b) =>
            slowDistance(word, a) - slowDistance(word, b) ||
            Number(sortedLetters(a) !== sortedLetters(word)) - Number(sortedLetters(b) !== sortedLetters(word)) ||
            Number(a[0] !== word[0]) - Number(b[0] !== word[0]) ||
            frequency(b) - frequency(a) ||
            (a < b ? -1 : 1),
        )
        .slice(0, 12);
      return (
        candidates.find((term) =>
          others.some((p) => formsOf(term, stem(term)).some((way) => searched.some(({ f }) => positionsOf(way, p, f).length > 0))),
        ) ?? word
      );
    });
    return {
      texts: corrected,
      units: makeUnits(
        rest.map((i) => corrected[i]),
        isRest,
      ),
    };
  };

  const attempt = (used: typeof pointers) => {
    const rest = typed.map((_, i) => i).filter((i) => !used.some((pointer) => pointer.at.includes(i)));
    const first = makeUnits(
      rest.map((i) => typed[i]),
      used.length > 0,
    );
    const restricting = used.filter((pointer) => pointer.as === "filter" || first.length === 0);
    const among = open.filter((p) => restricting.every((pointer) => pointer.holds(p)));
    const made = settings.misspelling.policy === "correct" ? correct(rest, among, first, used.length > 0) : { texts: typed, units: first };
    return { ...made, among, preferred: used.filter((pointer) => !restricting.includes(pointer)) };
  };
  let reading = attempt(pointers);
  for (let used = pointers.length; used >= 0; used--) {
    reading = attempt(pointers.slice(0, used));
    if (reading.among.some((p) => reading.units.every((unit) => answers(unit, p)))) break;
  }
  const { texts, preferred } = reading;
  let { units } = reading;
  // What a shelf keeps out changes no meaning.
  const among = reading.among.filter((p) => !arranged.excluded(p));

  const widened = () =>
    units.map((unit) => {
      if (hasDigit(unit.label)) return unit;
      const near = terms.filter(
        (term) => term !== unit.label && held.has(term) && !hasDigit(term) && slowDistance(unit.label, term) <= editsAllowed(unit.label),
      );
      near.sort(
        (a, b) =>
          slowDistance(unit.label, a) - slowDistance(unit.label, b) ||
          Number(sortedLetters(a) !== sortedLetters(unit.label)) - Number(sortedLetters(b) !== sortedLetters(unit.label)) ||
          Number(a[0] !== unit.label[0]) - Number(b[0] !== unit.label[0]) ||
          frequency(b) - frequency(a) ||
          (a < b ? -1 : 1),
      );
      return {
        ...unit,
        ways: [
          ...unit.ways,
          ...near.map((term) => ({ slots: [[term]], quality: slowDistance(unit.label, term) === 1 ? QUALITY.oneEdit : QUALITY.twoEdits })),
        ],
      };
    });
  const matching = (set: Unit[]) => among.filter((p) => set.every((unit) => answers(unit, p)));

  // Where the acting shelf brings products, nothing is tried to find others.
  let found = matching(units);
  let onlyWidened = new Set<number>();
  let leftOut: string[] = [];
  const canWiden = settings.misspelling.policy === "correct";
  if (found.length > 0 && found.length < settings.misspelling.few && canWiden) {
    const wider = widened();
    const more = matching(wider);
    if (more.length > found.length) {
      onlyWidened = new Set(more.filter((p) => !found.includes(p)));
      units = wider;
      found = more;
    }
  } else if (found.length === 0 && units.length > 0 && arranged.brought.length === 0) {
    const wide = canWiden ? matching(widened()) : [];
    if (wide.length > 0) {
      units = widened();
      found = wide;
    } else {
      const idfs = units.map((unit) => idfOf(products.filter((_, p) => answers(unit, p)).length, products.length));
      const sets = among
        .map((p) => units.map((unit, u) => (answers(unit, p) ? u : -1)).filter((u) => u >= 0))
        .filter((set) => set.length > 0);
      const worth = (set: number[]) => set.reduce((sum, u) => sum + idfs[u], 0);
      sets.sort((a, b) => worth(b) - worth(a) || b.length - a.length || compareLists(a, b));
      if (sets.length > 0) {
        leftOut = units.filter((_, u) => !sets[0].includes(u)).map((unit) => unit.label);
        units = sets[0].map((u) => units[u]);
        found = matching(units);
      }
    }
  }

  // Scores.
  const idfs = units.map((unit) => idfOf(products.filter((_, p) => answers(unit, p)).length, products.length));
  const lengthOf = (p: number, f: number) => visitWords(fieldTexts(fields[f], products[p]), false, () => undefined);
  const averages = fields.map((_, f) => {
    const filled = products.map((_, p) => lengthOf(p, f)).filter((length) => length > 0);
    return filled.reduce((sum, length) => sum + length, 0) / filled.length;
  });
  const cellOf = (unit: Unit, p: number, f: number) => {
    const attribute = settings.attributes[fields[f].key];
    const isSearched = searched.some((entry) => entry.f === f);
    const share = isSearched ? LENGTH_SHARES[attribute.length] : 0;
    let best = { x: 0, positions: [] as number[], width: 1 };
    for (const way of distinctWays(unit.ways)) {
      if (way.named) {
        const x = (isSearched ? attribute.weight : VALUE_WEIGHT) * way.quality;
        if (way.named.f === f && holdsOne(products[p], f, way.named.values) && x > best.x) best = { x, positions: [], width: 1 };
        continue;
      }
      if (!isSearched) continue;
      const positions = positionsOf(way, p, f);
      if (positions.length === 0) continue;
      const x = (attribute.weight * way.quality * positions.length) / (1 - share + (share * lengthOf(p, f)) / averages[f]);
      if (x > best.x) best = { x, positions, width: way.slots.length };
    }
    return best;
  };
  const scoreOf = (p: number): number => {
    if (units.length === 0) return 1;
    const cells = units.map((unit) => fields.map((_, f) => ({ f, ...cellOf(unit, p, f) })));
    const points = cells.map((row, u) => {
      const total = row.reduce((sum, cell) => sum + cell.x, 0);
      return row.map((cell) => (idfs[u] * cell.x) / (k1 + total));
    });
    let sum = 0;
    cells.forEach((row, u) => {
      row.forEach((cell, i) => {
        if (cell.x === 0) return;
        sum += points[u][i];
        if (cell.positions.length > 0 && settings.attributes[fields[cell.f].key].early)
          sum += (points[u][i] * SHARES.position) / (1 + cell.positions[0]);
        const next = cells[u + 1]?.[i];
        if (next && next.x > 0) {
          const gaps = cell.positions.flatMap((a) => next.positions.map((b) => Math.abs(a - b))).filter((gap) => gap > 0);
          const nearest = Math.min(Infinity, ...gaps);
          if (nearest <= 8) sum += (Math.min(points[u][i], points[u + 1][i]) * SHARES.proximity) / nearest;
        }
        const isRow =
          u === 0 &&
          units.length > 1 &&
          next &&
          next.x > 0 &&
          cells.every((other) => other[i].x > 0) &&
          cell.positions.some((start) => {
            let at = start;
            return cells.every((other) => {
              const stands = other[i].positions.includes(at);
              at += other[i].width;
              return stands;
            });
          });
        if (isRow) sum += SHARES.phrase * points.reduce((all, row2) => all + row2[i], 0);
      });
    });
    return sum;
  };
  const factorOf = (p: number) =>
    arranged.factor(p) *
    Object.values(settings.boosts).reduce(
      (all, boost) => (boost.on && boost.products?.includes(products[p].id) ? all * boost.factor : all),
      1,
    ) *
    preferred.reduce((all, pointer) => (pointer.holds(p) ? all * PREFERENCE : all), 1);
  const scores = new Map(found.map((p) => [products[p].id, scoreOf(p) * Math.min(10_000, Math.max(0.0001, factorOf(p)))]));

  // The base set, its order, pins, filters.
  const whole = products.map((_, p) => p).filter((p) => (found.includes(p) && !arranged.endsAtOnce) || arranged.brought.includes(p));
  const orderBy = scoresOf ?? scores;
  const key = (p: number) => {
    const { id } = products[p];
    const score = orderBy.get(id) ?? 0;
    const title = tokenise(String(products[p].values.title ?? ""))
      .map((token) => token.word)
      .join(" ");
    const tier = found.includes(p) && typed.length > 0 && title === typed.join(" ") ? 1 : 0;
    return { p, id, score, tier, wide: onlyWidened.has(p) ? 1 : 0, sold: isSoldOut(p) ? 1 : 0 };
  };
  const keyed = whole.map(key);
  const topOf = (entry: ReturnType<typeof key>) =>
    Math.max(
      0,
      ...keyed
        .filter((other) => found.includes(other.p) && other.tier === entry.tier && other.sold === entry.sold && other.wide === entry.wide)
        .map((other) => other.score),
    );
  const width = settings.ranking.tieWidth;
  const bandOf = (entry: ReturnType<typeof key>) =>
    entry.score <= 0 || topOf(entry) <= 0
      ? Number.MAX_SAFE_INTEGER
      : width === 0
        ? 0
        : Math.floor(Math.log(topOf(entry) / entry.score) / -Math.log(1 - width / 100));
  const tie = Object.values(settings.ranking.ties)[0];
  const tieValue = (p: number) => (tie ? Number(products[p].values[tie.field] ?? Number.NaN) * (tie.direction === "asc" ? 1 : -1) : 0);
  const compareTie = (a: number, b: number) =>
    Number.isNaN(a) || Number.isNaN(b) ? Number(Number.isNaN(a)) - Number(Number.isNaN(b)) : a - b;
  keyed.sort(
    (a, b) =>
      a.wide - b.wide ||
      b.tier - a.tier ||
      a.sold - b.sold ||
      bandOf(a) - bandOf(b) ||
      (width > 0 || a.score === b.score ? compareTie(tieValue(a.p), tieValue(b.p)) : 0) ||
      b.score - a.score ||
      compareCodePoints(a.id, b.id),
  );
  const inRows = arranged.inRows(keyed.map(({ p }) => p));
  const base = arranged.cut(arranged.place(inRows));

  // Values that no product has are ignored, and a choice of none but such is no choice. A group means its values, and so
  // does each value in it.
  const isThere = (field: Field, value: string) =>
    products.some((product) => optionsOf(product).some((o) => keysOf(field, optionValue(field, product, o)).includes(value)));
  const groupsOf = (field: Field) =>
    Object.values(settings.groups)
      .filter((group) => group.field === field.key)
      .map((group) => ({ label: Object.values(group.label)[0], values: [...group.values, ...Object.values(group.label)] }))
      .filter((group) => group.values.some((value) => isThere(field, value)));
  const meaning = (field: Field, value: string) => groupsOf(field).find((group) => group.values.includes(value))?.values ?? [value];
  const known = Object.fromEntries(
    Object.entries(request.filters).map(([id, choice]) => {
      const field = fieldOf(fields, keyOfFilter(settings.filters[id]));
      if (!("any" in choice)) return [id, choice];
      return [id, { any: choice.any.flatMap((value) => meaning(field, value)).filter((value) => isThere(field, value)) }];
    }),
  );
  const meets = (product: Product, filters: SearchRequest["filters"]) =>
    optionsOf(product).some((o) =>
      Object.entries(filters).every(([id, choice]) => meetsChoice(fieldOf(fields, keyOfFilter(settings.filters[id])), product, o, choice)),
    );
  const remaining = inRows.filter((p) => base.includes(p) && meets(products[p], known));
  const ids = arranged.place(remaining).map((p) => products[p].id);

  const counts: ReferenceAnswer["counts"] = {};
  for (const [id, filter] of Object.entries(settings.filters)) {
    const field = fieldOf(fields, keyOfFilter(filter));
    if (field.type === "number") continue;
    counts[id] = {};
    for (const value of new Set(
      base.flatMap((p) => optionsOf(products[p]).flatMap((o) => keysOf(field, optionValue(field, products[p], o)))),
    )) {
      const count = base.filter((p) => meets(products[p], { ...known, [id]: { any: meaning(field, value) } })).length;
      const group = groupsOf(field).find((entry) => entry.values.includes(value));
      if (count > 0) counts[id][group?.label ?? value] = count;
    }
  }
  return { ids, scores, leftOut, searched: texts.join(" "), counts };
}

function occurrences(field: Field, product: Product): Occurrence[] {
  const found: Occurrence[] = [];
  visitWords(fieldTexts(field, product), false, (word, _surface, position) => found.push({ word, position }));
  return found;
}

function distinctWays(ways: Way[]): Way[] {
  const best = new Map<string, Way>();
  for (const way of ways) {
    const key = JSON.stringify([way.slots, way.named?.f, way.named?.label, way.named?.values]);
    const known = best.get(key);
    if (!known || known.quality < way.quality) best.set(key, way);
  }
  return [...best.values()];
}

const keyOfFilter = (filter: Filter) => fieldsOfFilter(filter)[0];
const optionsOf = (product: Product) => (product.options.length === 0 ? [0] : product.options.map((_, o) => o));
const fieldOf = (fields: readonly Field[], key: string): Field => fields.find((field) => field.key === key) ?? fields[0];
const idfOf = (n: number, size: number) => Math.log(1 + (size - n + 0.5) / (n + 0.5));

function meetsChoice(field: Field, product: Product, option: number, choice: SearchRequest["filters"][string]): boolean {
  const value: Value | undefined = optionValue(field, product, option);
  if ("any" in choice) return choice.any.length === 0 || keysOf(field, value).some((key) => choice.any.includes(key));
  const number = numberOf(field, value);
  return (choice.min == null && choice.max == null) || (number >= (choice.min ?? -Infinity) && number <= (choice.max ?? Infinity));
}

function compareLists(a: number[], b: number[]): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i] - b[i];
  return 0;
}

/** Optimal string alignment by its definition. */
function slowDistance(a: string, b: string): number {
  const table = Array.from({ length: a.length + 1 }, (_, i) =>
    Array.from({ length: b.length + 1 }, (_, j) => (i === 0 ? j : j === 0 ? i : 0)),
  );
  for (let i = 1; i <= a.length; i++) {
    for (let j = 1; j <= b.length; j++) {
      table[i][j] = Math.min(table[i - 1][j] + 1, table[i][j - 1] + 1, table[i - 1][j - 1] + (a[i - 1] === b[j - 1] ? 0 : 1));
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) table[i][j] = Math.min(table[i][j], table[i - 2][j - 2] + 1);
    }
  }
  return table[a.length][b.length];
}
