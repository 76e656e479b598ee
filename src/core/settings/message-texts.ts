import { lookUp } from "../records";

/**
 * Every sentence that shoppers read and that no product, filter or rule brings, in English and German, as ICU
 * messages (https://unicode-org.github.io/icu/userguide/format_parse/messages/). A merchandiser may write each anew.
 */

interface Text {
  en: string;
  de: string;
  /** What can be put in, by name. */
  names?: readonly string[];
}

const text = (en: string, de: string, ...names: string[]): Text => (names.length > 0 ? { en, de, names } : { en, de });

export const TEXTS = {
  "box.label": text("Search the shop", "Im Shop suchen"),
  "box.placeholder": text("Name, kind or article number", "Name, Art oder Artikelnummer"),
  "box.search": text("Search", "Suchen"),
  "box.suggestions": text("Suggestions", "Vorschläge"),
  "box.message": text("Message", "Hinweis"),
  "box.searches": text("Searches", "Suchen"),
  "box.categories": text("Categories", "Abteilungen"),
  "box.products": text("Products", "Artikel"),
  "box.departments": text("Departments", "Abteilungen"),
  "box.selling": text("Selling well", "Beliebt"),
  "box.wanted": text("Trending this week", "Diese Woche gefragt"),
  "box.recent": text("You searched before", "Ihre letzten Suchen"),
  "box.asked": text("Often searched", "Oft gesucht"),
  "box.rising": text("Searched more this week", "Diese Woche öfter gesucht"),
  "box.forget": text("Forget {text}", "{text} vergessen", "text"),
  "box.forget-all": text("Forget all", "Alle vergessen"),
  "box.all": text(
    "{n, plural, one {See the one product} other {See all # products}}",
    "{n, plural, one {Den einen Artikel ansehen} other {Alle # Artikel ansehen}}",
    "n",
  ),
  "box.more": text("More", "Mehr"),
  "box.fewer": text("Fewer", "Weniger"),
  "box.close": text("Close the search", "Suche schließen"),
  "box.clear": text("Clear the field", "Feld leeren"),
  "box.speak": text("Say what you look for", "Sagen Sie, was Sie suchen"),
  "box.listening": text("Listening", "Ich höre zu"),
  "box.take": text("{text}, right arrow key takes it", "{text}, Pfeil rechts übernimmt", "text"),
  "box.found": text("{n, plural, one {# suggestion} other {# suggestions}}", "{n, plural, one {# Vorschlag} other {# Vorschläge}}", "n"),
  "box.within": text("in {category}", "in {category}", "category"),
  "box.scope": text("Only in {category}", "Nur in {category}", "category"),
  "results.heading": text("“{query}”", "„{query}“", "query"),
  "results.count": text("{n, plural, one {# product} other {# products}}", "{n, plural, one {# Artikel} other {# Artikel}}", "n"),
  "results.sort": text("Sort", "Sortierung"),
  "results.best": text("Best match", "Beste Treffer"),
  "results.everything": text("Everything", "Alles"),
  "results.path": text("Path", "Pfad"),
  "results.corrected": text(
    "Showing {searched}; you typed {typed}.",
    "Gezeigt wird {searched}; eingegeben war {typed}.",
    "searched",
    "typed",
  ),
  "results.as-typed": text("Search for {typed} instead", "Stattdessen nach {typed} suchen", "typed"),
  "results.near-colour": text(
    "Nothing here is {from}; nearest to it: {to}.",
    "{from} ist hier nichts; am nächsten kommt: {to}.",
    "from",
    "to",
  ),
  "results.did-you-mean": text("Did you mean", "Meinten Sie"),
  "results.partial": text(
    "Nothing has every word. These answer {words}; left out: {rest}.",
    "Nichts hat alle Wörter. Diese Artikel passen zu {words}; weggelassen: {rest}.",
    "words",
    "rest",
  ),
  "results.read": text("Read from your words", "Aus Ihren Worten gelesen"),
  "results.not-stated": text("not stated for these products", "zu diesen Artikeln ist das nicht angegeben"),
  "results.filled": text(
    "{n, plural, one {# product has} other {# products have}} all of it; the others come close.",
    "{n, plural, one {# Artikel passt} other {# Artikel passen}} ganz; die übrigen kommen ihm nahe.",
    "n",
  ),
  "results.filtered-out": text("No product meets all of these filters at once.", "Kein Artikel erfüllt alle gewählten Filter zugleich."),
  "results.without": text("Without {filter}", "Ohne {filter}", "filter"),
  "results.grid": text("Grid", "Raster"),
  "results.list": text("List", "Liste"),
  "results.view": text("View", "Ansicht"),
  "results.per-page": text("Per page", "Pro Seite"),
  "results.products": text("Products", "Artikel"),
  "results.kinds": text("Result types", "Ergebnisarten"),
  "paging.pages": text("Pages", "Seiten"),
  "paging.back": text("Back", "Zurück"),
  "paging.next": text("Next", "Weiter"),
  "paging.place": text("Page {page, number} of {pages, number}", "Seite {page, number} von {pages, number}", "page", "pages"),
  "paging.more": text("Show {n, number} more", "{n, number} weitere zeigen", "n"),
  "paging.shown": text("{shown, number} of {total, number}", "{shown, number} von {total, number}", "shown", "total"),
  "filters.title": text("Filters", "Filter"),
  "filters.clear": text("Clear all", "Alle löschen"),
  "filters.remove": text("Remove {text}", "{text} entfernen", "text"),
  "filters.yes": text("Yes", "Ja"),
  "filters.more": text("{n, number} more", "{n, number} weitere", "n"),
  "filters.fewer": text("Fewer", "Weniger"),
  "filters.all": text("All", "Alle"),
  "filters.from": text("from", "ab"),
  "filters.to": text("to", "bis"),
  "filters.up-to": text("up to {n}", "bis {n}", "n"),
  "filters.at-least": text("from {n}", "ab {n}", "n"),
  "filters.under": text("under {n}", "unter {n}", "n"),
  "filters.and-more": text("{n} and more", "{n} und mehr", "n"),
  "filters.between": text("{a} to {b}", "{a} bis {b}", "a", "b"),
  "filters.search": text("Search in {filter}", "Suchen in {filter}", "filter"),
  "filters.search-values": text("Search {n, number} values", "{n, number} Werte durchsuchen", "n"),
  "filters.nothing-like": text("Nothing like “{text}” here.", "Hier ist nichts wie „{text}“.", "text"),
  "filters.numbers-only": text("Numbers only, please.", "Bitte nur Zahlen."),
  "filters.turned": text("The first number is above the second.", "Die erste Zahl ist größer als die zweite."),
  "card.from": text("from", "ab"),
  "card.per": text("{price} per {unit}", "{price} je {unit}", "price", "unit"),
  "card.rated": text("Rated {rating}", "Bewertet mit {rating}", "rating"),
  "card.options": text("{n, plural, one {# option} other {# options}}", "{n, plural, one {# Ausführung} other {# Ausführungen}}", "n"),
  "card.more-options": text("{n, number} more", "{n, number} weitere", "n"),
  "card.sold-out": text("Sold out", "Ausverkauft"),
  "card.in-stock": text("In stock", "Auf Lager"),
  "card.left": text("Only {n, number} left", "Nur noch {n, number} da", "n"),
  "card.basket": text("Put in the basket", "In den Warenkorb"),
  "card.in-basket": text("In the basket", "Im Warenkorb"),
  "card.amount": text("Amount", "Menge"),
  "card.remember": text("Save for later", "Merken"),
  "card.compare": text("Compare", "Vergleichen"),
  "kept.basket": text("Basket", "Warenkorb"),
  "kept.remembered": text("Saved for later", "Gemerkt"),
  "kept.compared": text("Compared", "Im Vergleich"),
  "kept.nothing": text("Nothing is here yet.", "Hier ist noch nichts."),
  "product.option": text("Option", "Ausführung"),
  "product.sold-out": text("Sold out for now", "Zurzeit ausverkauft"),
  "product.goes-with": text("Goes well with", "Passt dazu"),
  "product.instead": text("Alternatives", "Alternativen"),
  "dead-end.message": text("Nothing found for “{query}”.", "Nichts gefunden für „{query}“.", "query"),
  "dead-end.try": text("Try instead", "Versuchen Sie"),
  "dead-end.places": text("Look around in", "Schauen Sie sich um in"),
  "dead-end.tips": text("What may help", "Was helfen kann"),
  "dead-end.like": text("You may like", "Das könnte gefallen"),
  "home.everything": text("Everything we sell", "Unser ganzes Sortiment"),
  "home.departments": text("Departments", "Abteilungen"),
  "home.range": text("{names} and {n, number} more departments.", "{names} und {n, number} weitere Abteilungen.", "names", "n"),
  "home.bestselling": text("Selling well this month", "In diesem Monat beliebt"),
  "home.newest": text("New in the shop", "Neu im Sortiment"),
  "home.mix": text("Picked for today", "Heute ausgesucht"),
  "guides.title": text("Guides", "Ratgeber"),
  "block.more": text("See all", "Alle ansehen"),
  "layer.close": text("Close", "Schließen"),
  "shop.no-page": text("There is no such page in this shop.", "Diese Seite gibt es in diesem Shop nicht."),
} as const satisfies Record<string, Text>;

export type MessageId = keyof typeof TEXTS;
export const MESSAGE_IDS = Object.keys(TEXTS) as [MessageId, ...MessageId[]];

/** The names that can be put into a message. */
export function namesOf(id: MessageId): readonly string[] {
  return (TEXTS[id] as Text).names ?? [];
}

/** What a message says where nothing else was written: German for German shops, English for all others. */
export function usualText(id: MessageId, language: string): string {
  return TEXTS[id][language.split("-")[0] === "de" ? "de" : "en"];
}

/** The messages of a language, laid over those of the language it is a kind of ("de-AT" over "de"). */
export function messagesIn(
  messages: Readonly<Record<string, Partial<Record<MessageId, string>>>>,
  language: string,
): Partial<Record<MessageId, string>> {
  const base = language.split("-")[0];
  return base === language ? (lookUp(messages, base) ?? {}) : { ...lookUp(messages, base), ...lookUp(messages, language) };
}
