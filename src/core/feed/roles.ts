import type { FieldRole, FieldType } from "../catalogue/types";
import type { ColumnFacts } from "./column-facts";

/** What a column can be to the import, beside the role of a field. */
export const COLUMN_USES = ["id", "parent", "options", "skip", "field"] as const;
export type ColumnUse = (typeof COLUMN_USES)[number];

/** What is proposed for a column: a role, or one of the uses that tell products and options apart. */
export type Part = Exclude<FieldRole, "attribute"> | "id" | "parent" | "options";

/** A claim of a column on a part, from 0 (none) to 1 (beyond doubt), and what speaks for it. */
export interface Claim {
  strength: number;
  reason: string;
}

type NameRule = [Part, number, RegExp];

/** Names as shops' systems write them, in words; the first that fits counts. Strengths tell better names from worse ones. */
const NAMES: NameRule[] = [
  [
    "parent",
    1,
    /^(parent|master|group|main)( ?(id|sku|number|product|code|item))?$|^item group id$|^is variant of( id)?$|^hauptartikel( ?nr)?$/,
  ],
  ["options", 1, /^(options|variants|variations|has variant)$/],
  ["id", 1, /^(id|identifier|uniq(ue)? id|uid|pid|key|handle|product key|product ?id|item ?id|articles? id|artikel ?id)$/],
  ["id", 0.6, /^(asin|node ?id|row ?id|record ?id)$/],
  ["articleNumber", 1, /^(sku|mpn|gtin ?\d*|ean ?\d*|upc|isbn( ?\d+)?|barcode|strichcode)s?$/],
  [
    "articleNumber",
    0.95,
    /^(art(icle|ikel)?|item|product|model|part|manufacturer|style|catalog(ue)?|order|bestell|hersteller)? ?(no|nr|num|number|nummer|code|sku)$/,
  ],
  ["articleNumber", 0.7, /^(artikelnummer|bestellnummer|asin|model|reference|ref)$/],
  ["title", 1, /^(title|titel|titre|titolo|titulo)$/],
  ["title", 0.95, /^(name|bezeichnung|nom|nome|nombre|artikelname|produktname|artikelbezeichnung|headline)$/],
  ["title", 0.7, /^(display|short|full|kurz)? ?(name|title|titel|bezeichnung)$/],
  ["title", 0.75, /^(name|title|titel|bezeichnung) (of|der|des|du|de|of the) .{1,20}$/],
  ["title", 0.4, /^.{1,20} (name|title|titel)$|^(product|item)$/],
  ["description", 1, /^(description|beschreibung|descripcion|descrizione|long description|langtext|langbeschreibung)$/],
  [
    "description",
    0.8,
    /^(desc|body|body html|text|details?|about( \w+)?|summary|content|overview|.{1,20} (description|beschreibung|text))$/,
  ],
  ["brand", 1, /^(brand|marke|marque|marca)( name)?$/],
  ["brand", 0.85, /^(maker|manufacturer|hersteller|vendor|producer|label|publisher|verlag)( name)?$/],
  [
    "category",
    1,
    /^(categor(y|ies)|kategorien?|warengruppe|rubrik|categoria)( ?(path|tree|name|hierarchy))?$|^(primary|main) categor(y|ies)$|^category ?\w+ ?(tree|path)$/,
  ],
  ["category", 0.85, /^(department|product type|type|section|breadcrumbs?|taxonomy|sub ?category|.{1,20} category)$/],
  ["tags", 1, /^(tags?|keywords?|stichworte|schlagworte|labels)$/],
  ["salePrice", 1, /^(sale|offer|special|discount(ed)?|promo(tion)?|reduced|deal|angebots?|sonder|aktions?) ?(price|preis|amount)$/],
  ["salePrice", 0.8, /^(current|now|final|offer) price$|^price now$/],
  ["saleDates", 1, /^(sale|offer|special|promo(tion)?) ?price (effective )?(dates?|period)( range)?$/],
  [
    "saleFrom",
    1,
    /^(sale|offer|special|promo(tion)?|angebots?|aktions?)( ?(price|preis))? ?(from|start|starts|begin|ab|von)( ?(date|on|at))?$/,
  ],
  ["saleUntil", 1, /^(sale|offer|special|promo(tion)?|angebots?|aktions?)( ?(price|preis))? ?(until|till|to|ends?|bis)( ?(date|on|at))?$/],
  ["price", 1, /^(price|preis|prix|prezzo|precio)( (amount|value|gross|brutto))?$/],
  ["price", 0.9, /^(unit|selling|sales|base|actual|store|vk) ?(price|preis)$|^price (specification )?price$|^(brutto )?vk( brutto)?$/],
  // What it costs at full price is the price where the feed has no other, and the list price where it has.
  ["price", 0.85, /^(retail|list|regular|original|old|full|normal|uvp|listen) ?(price|preis)$/],
  ["price", 0.75, /^(mrp|rrp|msrp|uvp)$/],
  [
    "listPrice",
    0.7,
    /^(list|regular|original|old|full|normal|retail|compare at|was|before|uvp|listen) ?(price|preis)$|^(price|preis) (before|was|vorher)$|^(mrp|rrp|msrp|uvp)$/,
  ],
  ["price", 0.6, /^.{1,20} price$|^price .{1,20}$|^amount$/],
  ["currency", 1, /^(currency|wahrung|price currency|.{0,20}currency( code)?)$/],
  [
    "picture",
    1,
    /^(image|picture|photo|bild|img|thumbnail)( ?(url|link|src|address|path|file))?s?( \d)?$|^(images|pictures|photos|bilder)$/,
  ],
  ["picture", 0.8, /^(main|primary|large|small|high res|additional|im) ?(image|picture|url|bild).*$|^image .{1,20}$|^im url$/],
  ["link", 1, /^(link|url|address|permalink|deeplink|href)$/],
  ["link", 0.8, /^(page|source|canonical|detail|shop|web) ?(url|link|address)s?$|^url .{1,20}$|^(produkt)? ?url$/],
  [
    "stockState",
    1,
    /^(availability|stock (state|status)|availab(le|ility) ?status|verfugbarkeit|lieferstatus|in stock|is in stock|stock text)$/,
  ],
  [
    "stock",
    1,
    /^(stock|inventory|bestand|lagerbestand|qty|quantity|menge|on hand|available)( ?(level|qty|quantity|count|available|on hand))?$/,
  ],
  ["stock", 0.8, /^(lager|vorrat|lagermenge)$/],
  ["stock", 0.7, /^(number available in stock|units in stock|.{1,20} (stock|inventory|bestand))$/],
  [
    "ratingCount",
    1,
    /^((rating|review|vote)s? ?(count|total|number|anzahl)|(number|no|num|count|total) (of )?(ratings|reviews|votes)|reviews|ratings total|anzahl (bewertungen|rezensionen)|bewertungsanzahl|aggregate rating (review|rating) count)$/,
  ],
  [
    "rating",
    1,
    /^((average|avg|mean|overall|star)? ?(rating|stars|bewertung|score)( ?(value|average|avg))?|average review rating|review rating|aggregate rating( rating value)?)$/,
  ],
  ["sold", 1, /^(sold|sales|units sold|verkauft|verkaufe|sales (count|volume|rank)|orders|order count|bestseller count)$/],
  [
    "added",
    1,
    /^(added|created|published|launch(ed)?|release(d)?|new since|neu seit|hinzugefugt|eingestellt|angelegt|erschienen)( ?(on|at|date|am))?$|^(date|time) (added|created|published|first available)$|^(pub|release|launch|creation) ?date$/,
  ],
  ["boost", 1, /^(boost|search ?(boost|weight|priority)|ranking ?(boost|weight)|priority|prioritat)$/],
  ["hidden", 1, /^(hidden|hide|is hidden|excluded|exclude from search|versteckt)$/],
  ["hidden", 0.8, /^(visib(le|ility)|active|aktiv|enabled|published|sichtbar|is (active|visible|enabled)|search visibility)$/],
];

/** Words before the name proper that say nothing more. */
const PREFIX =
  /^(?:(?:the|product|products|item|items|article|offers?|g|c|p|custom|attr|attributes?|additional property|produkt|artikel)\s)+/;

/** A column's name in plain words: "g:image_link" → "g image link", "dateAdded" → "date added". */
export function nameWords(column: string): string {
  return column
    .normalize("NFD")
    .replace(/\p{M}/gu, "")
    .replace(/([a-z\d])([A-Z])/g, "$1 $2")
    .replace(/(?<=[A-Z])(?=[A-Z][a-z])/g, " ")
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, " ")
    .trim();
}

/** Whether the values can be what the name promises. */
const FITS: Partial<Record<Part, (facts: ColumnFacts) => boolean>> = {
  id: (facts) => facts.fill > 0.98 && facts.distinct > facts.values.length * 0.5 && facts.words < 3,
  parent: (facts) => facts.words < 3 && !holdsPaths(facts),
  options: (facts) => facts.values.some((value) => Array.isArray(value)),
  title: (facts) => facts.numbers < 0.5 && facts.addresses < 0.3 && facts.words < 60,
  description: (facts) => facts.numbers < 0.5 && facts.addresses < 0.3,
  brand: (facts) => facts.words < 8 && facts.addresses < 0.3,
  price: (facts) => facts.numbers > 0.6 && facts.dates < 0.5,
  salePrice: (facts) => facts.numbers > 0.6,
  listPrice: (facts) => facts.numbers > 0.6,
  saleFrom: (facts) => facts.dates > 0.6 || facts.moments > 0.6,
  saleUntil: (facts) => facts.dates > 0.6 || facts.moments > 0.6,
  currency: (facts) => facts.texts.every((text) => text.length <= 4),
  picture: (facts) => facts.addresses > 0.5 || facts.pictures > 0.5,
  link: (facts) => facts.addresses > 0.5 && facts.pictures < 0.5,
  articleNumber: (facts) => facts.words < 3 && facts.lists < 0.5,
  stock: (facts) => facts.numbers > 0.8,
  stockState: (facts) => facts.numbers < 0.5 || facts.flags > 0.8,
  rating: (facts) => facts.numbers > 0.1 && facts.most <= 100 && facts.least >= 0,
  ratingCount: (facts) => facts.numbers > 0.6,
  sold: (facts) => facts.numbers > 0.8,
  added: (facts) => facts.dates > 0.8 || facts.moments > 0.8,
  boost: (facts) => facts.numbers > 0.8,
  hidden: (facts) => facts.distinct <= 3,
  category: (facts) => facts.numbers < 0.5 && facts.words < 40,
};

/** What a column claims to be, by its name as far as its values allow, else by its values alone. */
export function claimsOf(column: string, facts: ColumnFacts): Map<Part, Claim> {
  const claims = new Map<Part, Claim>();
  if (facts.values.length === 0) return claims;
  const words = nameWords(column.replace(/\([^()]*\)/g, " ")) || nameWords(column);
  const plain = words.replace(PREFIX, "");
  const last = nameWords(column.slice(column.lastIndexOf(".") + 1)).replace(PREFIX, "");
  for (const [part, strength, pattern] of NAMES) {
    if (claims.has(part) || FITS[part]?.(facts) === false) continue;
    const factor = pattern.test(words) ? 1 : pattern.test(plain) ? 0.97 : pattern.test(last) ? 0.5 : 0;
    if (factor > 0) claims.set(part, { strength: strength * factor, reason: `Called “${column}”` });
  }
  for (const [part, strength, reason] of contentClaims(facts)) if (!claims.has(part)) claims.set(part, { strength, reason });
  return claims;
}

function contentClaims(facts: ColumnFacts): [Part, number, string][] {
  const claims: [Part, number, string][] = [];
  const isMostlyDistinct = facts.distinct > facts.values.length * 0.7;
  const isPlainText = facts.numbers < 0.2 && facts.addresses < 0.1 && facts.lists < 0.2 && facts.flags < 0.2 && facts.dates < 0.2;
  if (facts.pictures > 0.6) claims.push(["picture", 0.35, "Holds addresses of pictures"]);
  if (facts.addresses > 0.8 && facts.pictures < 0.2 && isMostlyDistinct) claims.push(["link", 0.3, "Holds addresses of pages"]);
  if (facts.barcodes > 0.8) claims.push(["articleNumber", 0.55, "Holds numbers with a barcode's check digit"]);
  if (facts.money > 0.8) claims.push(["price", 0.3, "Holds amounts of money"]);
  if (holdsPaths(facts)) claims.push(["category", 0.4, "Holds paths with several levels"]);
  if (isPlainText && isMostlyDistinct && facts.fill > 0.9 && facts.words >= 1.5 && facts.words <= 25 && facts.codes < 0.2)
    claims.push(["title", 0.3 - facts.words / 200, "Short texts, nearly all different"]);
  if (isPlainText && facts.words > 15 && isMostlyDistinct)
    claims.push(["description", 0.25 + Math.min(0.05, facts.words / 10_000), "Long texts"]);
  return claims;
}

/** Whether most texts are paths, such as "Plants > Perennials" or "Plants>Perennials"; what holds tags of HTML is none. */
function holdsPaths({ texts }: Pick<ColumnFacts, "texts">): boolean {
  const paths = texts.filter((text) => !text.includes("<") && /[\p{L}\d)] ?(?:>>?|›|») ?[\p{L}\d(]/u.test(text));
  return paths.length > texts.length * 0.5;
}

/** The type that a role brings with it. */
export const ROLE_TYPES: Partial<Record<FieldRole, FieldType>> = {
  title: "text",
  description: "text",
  brand: "keyword",
  category: "path",
  tags: "list",
  price: "number",
  salePrice: "number",
  saleFrom: "date",
  saleUntil: "date",
  saleDates: "keyword",
  listPrice: "number",
  currency: "keyword",
  picture: "keyword",
  link: "keyword",
  articleNumber: "keyword",
  stock: "number",
  stockState: "keyword",
  rating: "number",
  ratingCount: "number",
  sold: "number",
  added: "date",
  boost: "number",
  hidden: "flag",
};

/** Roles that several columns of one feed may have. */
export const SHARED_ROLES: ReadonlySet<Part> = new Set<Part>(["articleNumber"]);
