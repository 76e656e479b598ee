import { colourDistance, isShadeOf, isThing, lookOfColour, perceived } from "@core/catalogue/colours";
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
import { foldedFunctionWords } from "@core/text/function-words";
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
  isSynonym?: boolean;
  /** Values of a field, any of which answers. */
  named?: { f: number; label: string; values: string[] };
}

interface Unit {
  label: string;
  stem: string;
  /** Its place among the words that were typed. */
  at: number;
  ways: Way[];
  isKnown: boolean;
  /** Whether products need not answer it. */
  optional: boolean;
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
  const isNamed = (term: string) =>
    words.some((product) => searched.some(({ f }) => fields[f].role !== "description" && product[f].some((entry) => entry.word === term)));
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

  // What can be named: the values of the fields with a filter, those of options, and the groups.
  const isOfOptions = ({ perOption, shown, role, type }: Field) =>
    perOption && shown && role === "attribute" && (type === "keyword" || type === "list" || type === "colour");
  const filtered = [...new Set([...Object.values(settings.filters).map(keyOfFilter), ...fields.filter(isOfOptions).map(({ key }) => key)])];
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

  const small = foldedFunctionWords(catalogue.locale);
  const makeUnits = (all: { text: string; at: number }[], isRest: boolean): Unit[] => {
    const given = all.map(({ text, at }) => ({ text, at, stem: stem(text) }));
    const dropped = new Set(
      given.flatMap((_, i) => {
        const longest = Math.max(0, ...ignored.filter((name) => standsAt(name, given, i)).map((name) => name.length));
        return Array.from({ length: longest }, (_one, k) => i + k);
      }),
    );
    const tokens = dropped.size === given.length && !isRest ? given : given.filter((_, i) => !dropped.has(i));
    const units = tokens.map(
      ({ text, at, stem: own }): Unit => ({
        label: text,
        stem: own,
        at,
        optional: false,
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
      if (i + longest < tokens.length) for (let k = 0; k + 1 < longest; k++) units[i + k].optional = true;
      for (const { rule, left, text } of fitting) {
        if (left.length !== longest) continue;
        for (const right of rule.words.filter((other) => other !== text)) {
          const slots = tokenise(right).map((token) => terms.filter((term) => term === token.word || stemOf(term) === stem(token.surface)));
          if (slots.some((slot) => slot.length === 0)) continue;
          const quality = rule.quality / longest;
          const added =
            slots.length > 1
              ? [{ slots, quality }]
              : slots[0].map((term) => ({ slots: [[term]], quality: quality * (term === right ? 1 : QUALITY.form), isSynonym: true }));
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
    for (const unit of units) {
      const isMeant = unit.ways.some((way) => way.named || way.isSynonym);
      const isAgain = units.slice(0, units.indexOf(unit)).some(({ stem }) => stem === unit.stem);
      if ((small.has(unit.label) && !isMeant) || isAgain) unit.optional = true;
    }
    if (units.every((unit) => unit.optional)) for (const unit of units) unit.optional = false;
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

  const compareNearness = (a: string, b: string, word: string) =>
    slowDistance(word, a) - slowDistance(word, b) ||
    Number(sortedLetters(a) !== sortedLetters(word)) - Number(sortedLetters(b) !== sortedLetters(word)) ||
    Number(a[0] !== word[0]) - Number(b[0] !== word[0]) ||
    Number(b.length > word.length) - Number(a.length > word.length) ||
    Number(isNamed(b)) - Number(isNamed(a)) ||
    frequency(b) - frequency(a) ||
    (a < b ? -1 : 1);
  // Correction of words that no searched field holds.
  const correct = (rest: number[], among: number[], first: Unit[], isRest: boolean): { texts: string[]; units: Unit[] } => {
    const others = among.filter((p) => first.filter((unit) => unit.isKnown).every((unit) => unit.optional || answers(unit, p)));
    const corrected = typed.map((word, i) => {
      const unit = rest.includes(i) ? first.find((entry) => entry.label === word) : undefined;
      if (!unit || unit.isKnown || unit.optional || hasDigit(word)) return word;
      const candidates = terms
        .filter((term) => held.has(term) && !hasDigit(term) && slowDistance(word, term) <= editsAllowed(word) && term !== word)
        .sort((a, b) => compareNearness(a, b, word))
        .slice(0, 12);
      const fits = (term: string, p: number) =>
        formsOf(term, stem(term)).some((way) => searched.some(({ f }) => positionsOf(way, p, f).length > 0));
      const fitting = [others, among].map((some) => candidates.find((term) => some.some((p) => fits(term, p)))).find(Boolean);
      return fitting && word.length >= 6 && isNamed(fitting) ? fitting : word;
    });
    return {
      texts: corrected,
      units: makeUnits(
        rest.map((i) => ({ text: corrected[i], at: i })),
        isRest,
      ),
    };
  };

  const attempt = (used: typeof pointers) => {
    const rest = typed.map((_, i) => i).filter((i) => !used.some((pointer) => pointer.at.includes(i)));
    const first = makeUnits(
      rest.map((i) => ({ text: typed[i], at: i })),
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
    if (reading.among.some((p) => reading.units.every((unit) => unit.optional || answers(unit, p)))) break;
  }
  const { texts, preferred } = reading;
  let { units } = reading;
  // What a shelf keeps out changes no meaning.
  const among = reading.among.filter((p) => !arranged.excluded(p));

  const required = (set: Unit[]) => set.filter((unit) => !unit.optional);
  const matching = (set: Unit[]) => among.filter((p) => required(set).every((unit) => answers(unit, p)));

  const widened = (set: Unit[]) =>
    set.map((unit) => {
      if (hasDigit(unit.label) || unit.isKnown || unit.optional) return unit;
      const near = terms.filter(
        (term) => term !== unit.label && held.has(term) && !hasDigit(term) && slowDistance(unit.label, term) <= editsAllowed(unit.label),
      );
      const isSure = required(set).length > 1 || unit.label.length >= 6;
      if (!isSure || !near.some(isNamed)) return unit;
      near.sort((a, b) => compareNearness(a, b, unit.label));
      const ways = near.map((term) => ({
        slots: [[term]],
        quality: slowDistance(unit.label, term) === 1 ? QUALITY.oneEdit : QUALITY.twoEdits,
      }));
      return { ...unit, ways: [...unit.ways, ...ways] };
    });

  /** Colours near those that are named, of what answers the rest. */
  const coloured = (set: Unit[]) =>
    set.map((unit) => {
      const look = lookOfColour(unit.label, true);
      if (!look || unit.optional || required(set).length < 2) return unit;
      const isNear = unit.ways.some((way) => way.named && way.quality === QUALITY.nearColour);
      if (isNear && matching(set).length > 0) return unit;
      const rest = among.filter((p) => required(set).every((other) => other === unit || answers(other, p)));
      const ways = colourLists.flatMap(([f, values]) => {
        const isValue = unit.ways.some(({ named }) => named?.f === f);
        if (isThing(unit.label) && !(isValue && matching(set).length === 0)) return [];
        const there = values.flatMap((value) => {
          const own = lookOfColour(value);
          const isThere = rest.some((p) => !answers(unit, p) && holdsOne(products[p], f, [value]));
          return own && isThere ? [{ value, look: perceived(own), distance: colourDistance(perceived(own), perceived(look)) }] : [];
        });
        there.sort((a, b) => a.distance - b.distance || compareCodePoints(a.value, b.value));
        const shades = there.filter((entry) => isShadeOf(entry.look, perceived(look)));
        const meant = shades.length > 0 ? shades : there.filter(({ distance }) => distance <= 0.2).slice(0, 1);
        return meant.map(({ value }, i) => ({
          slots: [],
          quality: i === 0 ? QUALITY.nearColour : QUALITY.otherShade,
          named: { f, label: value, values: [value] },
        }));
      });
      return ways.length === 0 ? unit : { ...unit, ways: [...unit.ways, ...ways] };
    });

  /** How much of what was meant each unit carries. */
  const weigh = (set: Unit[]) => {
    const firstOf = set.findIndex((unit) => !unit.optional);
    const end = set.findIndex((unit, i) => i > firstOf && (unit.optional || unit.at > set[i - 1].at + 1));
    const last = (end < 0 ? set.length : end) - 1;
    const isColour = (unit: Unit) => unit.ways.some(({ named }) => named && colourLists.some(([f]) => f === named.f));
    const heads = set.map((unit, i) => (i >= firstOf && i <= last && !isColour(unit) ? i : -1)).filter((i) => i >= 0);
    const head = heads.at(-1) ?? last;
    const besides = Math.min(1, 6 / required(set).length);
    const title = fields.findIndex((field) => field.role === "title");
    const isCalled = (unit: Unit, p: number) =>
      unit.ways.some((way) => (way.named ? holdsOne(products[p], way.named.f, way.named.values) : positionsOf(way, p, title).length > 0));
    const parts = set.map((unit, i) => {
      if (unit.optional) return { all: 0, called: 0 };
      const answering = products.map((_, p) => p).filter((p) => answers(unit, p));
      const count = answering.filter((p) => isCalled(unit, p)).length;
      const isKind = count >= Math.max(3, 0.01 * products.length);
      const share = (sure: number) => (answering.length === 0 ? 0 : Math.min(1, (sure * count) / answering.length));
      const name = share(1.5) * (isKind ? 1 : besides);
      const idf = idfOf(answering.length, products.length);
      if (i !== head) return { all: idf * (0.5 * besides + name), called: 0 };
      if (!isKind) return { all: idf * (0.5 * besides + name) * (1 + name), called: 0 };
      return { all: idf * 0.5 * besides, called: 2 * share(3) * idfOf(count, products.length) };
    });
    const sum = parts.reduce((total, { all, called }) => total + all + called, 0);
    return parts.map(({ all, called }, i) => ({
      all: sum > 0 ? all / sum : 0,
      called: sum > 0 ? called / sum : 0,
      isCalled: (p: number) => isCalled(set[i], p),
    }));
  };
  type Weighed = ReturnType<typeof weigh>;
  const covers = (set: Unit[], weights: Weighed, p: number) =>
    set.reduce((sum, unit, i) => {
      if (unit.optional || !answers(unit, p)) return sum;
      return sum + weights[i].all + (weights[i].called > 0 && weights[i].isCalled(p) ? weights[i].called : 0);
    }, 0);
  /** Products that answer a part, one level of coverage after the other until there are ten. */
  const inPart = (set: Unit[], weights: Weighed, whole: number[]) => {
    const floor = whole.length > 0 ? 0.1 : 0;
    const rest = among
      .filter((p) => !whole.includes(p) && set.some((unit) => !unit.optional && answers(unit, p)))
      .map((p) => ({ p, worth: covers(set, weights, p) }))
      .filter(({ worth }) => worth >= floor - 1e-9)
      .sort((a, b) => b.worth - a.worth);
    return rest.filter(({ worth }) => whole.length + rest.filter((other) => other.worth > worth + 1e-9).length < 10).map(({ p }) => p);
  };

  // Where the acting shelf brings products, nothing is tried to find others.
  const mayFallBack = arranged.brought.length === 0;
  const canWiden = settings.misspelling.policy === "correct";
  let found = matching(units);
  let behind = new Set<number>();
  let parts = new Set<number>();
  let weights: Weighed | null = null;
  let leftOut: string[] = [];
  const withMore = (wider: Unit[]) => {
    const more = matching(wider);
    if (more.length <= found.length) return;
    if (found.length > 0) for (const p of more) if (!found.includes(p)) behind.add(p);
    units = wider;
    found = more;
  };
  const fillUp = () => {
    if (!mayFallBack || found.length >= 10 || units.length < 2) return;
    const own = weigh(units);
    const rest = inPart(units, own, found);
    if (rest.length === 0) return;
    weights = own;
    parts = new Set(rest);
    behind = new Set([...behind, ...rest]);
    found = among.filter((p) => found.includes(p) || parts.has(p));
  };
  if (found.length > 0) {
    const few = found.length < settings.misspelling.few;
    if (found.length < 10) withMore(coloured(units));
    if (few && canWiden) withMore(widened(units));
    fillUp();
  } else {
    withMore(coloured(units));
    if (found.length === 0 && mayFallBack && units.length > 0 && canWiden) {
      const wider = widened(units);
      const isWider = wider.some((unit, i) => unit !== units[i]);
      if (isWider) {
        withMore(wider);
        if (found.length === 0) withMore(coloured(wider));
        if (found.length === 0) units = wider;
      }
    }
    if (found.length > 0) fillUp();
    else if (mayFallBack && units.length > 0) {
      const own = weigh(units);
      const rest = inPart(units, own, []);
      if (rest.length > 0) {
        weights = own;
        parts = new Set(rest);
        found = among.filter((p) => parts.has(p));
        // More words before fewer where they are worth the same, earlier before later.
        const answered = (p: number) => units.map((unit) => (!unit.optional && answers(unit, p) ? "a" : "b")).join("");
        const count = (p: number) => [...answered(p)].filter((one) => one === "a").length;
        const worth = (p: number) => Math.round(covers(units, own, p) * 1e9);
        const [best] = [...rest].sort((a, b) => worth(b) - worth(a) || count(b) - count(a) || (answered(a) < answered(b) ? -1 : 1));
        leftOut = units.filter((unit) => !unit.optional && !answers(unit, best)).map((unit) => unit.label);
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
    for (const unit of units) sum += asTyped(unit, p);
    return sum;
  };
  /** What a word earns as it was typed, as a term of its own, where it has other forms. */
  const asTyped = (unit: Unit, p: number): number => {
    const forms = formsOf(unit.label, unit.stem);
    if (!surfaces.has(unit.label) || forms.length < 2) return 0;
    const alone: Unit = { ...unit, ways: [forms[0]] };
    const answering = products.filter((_, other) => answers(alone, other)).length;
    if (answering === 0 || answering === products.filter((_, other) => answers(unit, other)).length) return 0;
    const xs = fields.map((_, f) => cellOf(alone, p, f).x);
    const total = xs.reduce((all, x) => all + x, 0);
    return SHARES.exact * idfOf(answering, products.length) * (total / (k1 + total));
  };
  const coverage = (p: number) => (weights && (parts.has(p) || behind.has(p)) ? covers(units, weights, p) ** 4 : 1);
  const factorOf = (p: number) =>
    arranged.factor(p) *
    Object.values(settings.boosts).reduce(
      (all, boost) => (boost.on && boost.products?.includes(products[p].id) ? all * boost.factor : all),
      1,
    ) *
    preferred.reduce((all, pointer) => (pointer.holds(p) ? all * PREFERENCE : all), 1);
  const scores = new Map(found.map((p) => [products[p].id, scoreOf(p) * coverage(p) * Math.min(10_000, Math.max(0.0001, factorOf(p)))]));

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
    return { p, id, score, tier, wide: behind.has(p) ? 1 : 0, sold: isSoldOut(p) ? 1 : 0 };
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
