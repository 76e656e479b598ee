import { stringify } from "csv-stringify/sync";
import { drawProduct } from "../pictures/draw";
import { Random } from "../random";
import { BRANDS, FIRST, KINDS, type Kind, SECOND } from "./kinds";

export const GERMAN_STORE = "quillmoor-de";

interface GermanFeed {
  /** A table as a German merchandise system writes it: semicolons, decimal commas, dates with points. */
  table: string;
  pictures: Map<string, string>;
}

const COLUMNS = [
  "Artikelnummer", "Hauptartikel", "Bezeichnung", "Marke", "Kategorie", "Preis", "Angebotspreis", "Bestand", "Bewertung", "Anzahl Bewertungen", "Verkauft",
  "Angelegt am", "Farbe", "Größe", "Höhe", "Standort", "Winterhart", "Bienenfreundlich", "Beschreibung", "Schlagworte", "Bild", "Einkaufspreis",
];
const NEWEST = Date.parse("2026-11-20T00:00:00Z");
const DAY = 86_400_000;
const LOOKS: Record<string, string> = { Violett: "Violet", Blau: "Blue", Weiß: "White", Rosa: "Pink", Gelb: "Yellow", Orange: "Orange", Rot: "Red", Creme: "Cream", Lila: "Lilac", Apricot: "Apricot", Grün: "Green", Braun: "Brown", Grau: "Grey", Schwarz: "Black", Terrakotta: "Terracotta" };

const euros = (amount: number) => amount.toFixed(2).replace(".", ",");
const day = (time: number) => new Date(time).toISOString().slice(0, 10).split("-").reverse().join(".");

/** Makes the feed of the German shop; the same seed gives the same feed. */
export function makeGermanFeed(seed = 1204): GermanFeed {
  const random = new Random(seed);
  const pictures = new Map<string, string>();
  const names = new Set<string>();
  const rows: string[][] = [];
  let number = 0;
  for (const kind of KINDS) {
    for (let i = 0; i < kind.count; i++) {
      number++;
      rows.push(...rowsOf(kind, i, number, freeName(random, names), random, pictures));
    }
  }
  return { table: stringify([COLUMNS, ...rows], { delimiter: ";" }), pictures };
}

function freeName(random: Random, taken: Set<string>): string {
  for (;;) {
    const name = random.pick(FIRST) + random.pick(SECOND);
    if (taken.has(name) && taken.size < FIRST.length * SECOND.length) continue;
    taken.add(name);
    return name;
  }
}

function rowsOf(kind: Kind, i: number, number: number, name: string, random: Random, pictures: Map<string, string>): string[][] {
  const id = `QD-${String(10_000 + number * 37)}`;
  const colour = kind.colours[i % kind.colours.length];
  const price = Math.round((kind.price[0] + random.next() * (kind.price[1] - kind.price[0])) * 10) / 10 - 0.01;
  const sold = Math.round(random.next() ** 3 * 220);
  const ratings = random.chance(0.6) ? random.whole(1, 60) : 0;
  const file = `${id}.svg`;
  const title = `${kind.name} ${name}`;
  pictures.set(file, drawProduct(kind.drawing, [LOOKS[colour] ?? "Green"], number * 17 + 3, title));
  const { plant } = kind;
  const height = plant ? `${Math.round(random.whole(plant.height[0], plant.height[1]) / 5) * 5} cm` : "";
  const text = `${title}: ${kind.line}${plant ? ` Wird etwa ${height} hoch und steht gern in ${plant.light === "Sonne" ? "der Sonne" : "halbem Schatten"}.` : ""}`;
  const row = (own: string, parent: string, amount: number, size: string, stock: number) => [
    own, parent, title, random.pick(BRANDS), kind.category, euros(amount), "", String(stock), ratings ? (3.4 + random.next() * 1.6).toFixed(1).replace(".", ",") : "", ratings ? String(ratings) : "", String(sold),
    day(NEWEST - Math.floor(random.next() * 900) * DAY), colour, size, height, plant?.light ?? "", plant ? (plant.hardy ? "ja" : "nein") : "", plant ? (plant.bees ? "ja" : "nein") : "", text, kind.tags.join(", "), `/media/${GERMAN_STORE}/${file}`, euros(amount * 0.55),
  ];
  const isSoldOut = random.chance(0.1);
  const stock = () => (isSoldOut ? 0 : random.whole(1, 90));
  const main = row(id, "", price, "", stock());
  if (random.chance(0.12)) main[6] = euros(Math.round(price * 8) / 10);
  const options = (kind.sizes ?? []).map((size, o) => {
    const option = row(`${id}-${o + 1}`, id, Math.round(price * (1 + o * 0.6) * 10) / 10 - 0.01, size, stock());
    option[3] = main[3];
    option[11] = main[11];
    option[8] = main[8];
    return option;
  });
  return [main, ...options];
}
