import { createContext, useContext } from "react";

/** Says one of the shop's own texts in the language of its shoppers; `{…}` stands for a value. */
export type Say = (text: string, values?: Record<string, string | number>) => string;

/** The shop's own texts by language, keyed by the English ones. A text that is not there is said in English. */
const TEXTS: Record<string, Record<string, string>> = {
  de: {
    Search: "Suchen",
    "Search the shop": "Im Shop suchen",
    "Name, kind or article number": "Name, Art oder Artikelnummer",
    Suggestions: "Vorschläge",
    Message: "Hinweis",
    "{n} product": "{n} Artikel",
    "{n} products": "{n} Artikel",
    Sort: "Sortierung",
    "Best match": "Beste Treffer",
    "Price, low to high": "Preis aufsteigend",
    "Price, high to low": "Preis absteigend",
    Bestselling: "Meistverkauft",
    Newest: "Neu im Sortiment",
    "Best rated": "Beste Bewertung",
    "No product meets all of these filters at once.": "Kein Artikel erfüllt alle gewählten Filter zugleich.",
    "Without {filter}": "Ohne {filter}",
    Pages: "Seiten",
    Back: "Zurück",
    Next: "Weiter",
    "Page {page} of {pages}": "Seite {page} von {pages}",
    Guides: "Ratgeber",
    Everything: "Alles",
    "Everything we sell": "Unser ganzes Sortiment",
    Departments: "Abteilungen",
    "{names} and {n} departments more.": "{names} und {n} weitere Abteilungen.",
    "Selling well this month": "In diesem Monat beliebt",
    "Showing {searched}; you typed {typed}.": "Gezeigt wird {searched}; eingegeben war {typed}.",
    "Search for {typed} instead": "Stattdessen nach {typed} suchen",
    "We have no {from}; the nearest colour is {to}.": "{from} haben wir nicht; die nächste Farbe ist {to}.",
    "Did you mean": "Meinten Sie",
    "Nothing has every word. These answer {words}; left out: {rest}.":
      "Nichts hat alle Wörter. Diese Artikel passen zu {words}; weggelassen: {rest}.",
    "Try instead": "Versuchen Sie",
    "You may like": "Das könnte gefallen",
    "{n} more": "{n} weitere",
    Fewer: "Weniger",
    Filters: "Filter",
    "Clear all": "Alle löschen",
    "Remove {text}": "{text} entfernen",
    Yes: "Ja",
    from: "ab",
    "up to {n}": "bis {n}",
    "from {n}": "ab {n}",
    to: "bis",
    All: "Alle",
    "under {n}": "unter {n}",
    "{n} and more": "{n} und mehr",
    "{a} to {b}": "{a} bis {b}",
    "Search in {filter}": "Suchen in {filter}",
    "Search {n} values": "{n} Werte durchsuchen",
    "Nothing like “{text}” here.": "Hier ist nichts wie „{text}“.",
    "Numbers only, please.": "Bitte nur Zahlen.",
    "The first number is above the second.": "Die erste Zahl ist größer als die zweite.",
    "Sold out": "Ausverkauft",
    "Sold out for now": "Zurzeit ausverkauft",
    "In stock": "Auf Lager",
    "Only {n} left": "Nur noch {n} da",
    "Put in the basket": "In den Warenkorb",
    "Goes with": "Passt dazu",
    "You might take instead": "Stattdessen vielleicht",
    Option: "Ausführung",
    Searches: "Suchen",
    Categories: "Abteilungen",
    Products: "Artikel",
    "Selling well": "Beliebt",
    "There is no such page in this shop.": "Diese Seite gibt es in diesem Shop nicht.",
    Path: "Pfad",
  },
};

export function sayIn(locale: string): Say {
  const texts = TEXTS[locale.split("-")[0]] ?? {};
  return (text, values = {}) => (texts[text] ?? text).replace(/\{(\w+)\}/g, (whole, name) => String(values[name] ?? whole));
}

export const TextsContext = createContext<Say>(sayIn("en"));

/** The texts of the shop that is shown. */
export function useTexts(): Say {
  return useContext(TextsContext);
}
