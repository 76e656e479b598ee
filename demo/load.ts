import { mkdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { parse } from "csv-parse/sync";
import type { Page } from "../src/core/catalogue/types";
import { type Assembled, assembleRows } from "../src/core/feed/assemble";
import type { Row } from "../src/core/feed/flatten";
import { proposeMapping } from "../src/core/feed/mapping";
import { build } from "../src/core/index/build";
import { add } from "../src/core/settings/patch";
import { catalogueFile, writeCatalogue } from "../src/server/db/catalogue-file";
import type { StoreRow } from "../src/server/db/stores";
import type { Engine } from "../src/server/engine/engine";
import type { Store } from "../src/server/engine/store";
import { type DemoCatalogue, makeCatalogue } from "./catalogue";
import { GERMAN_STORE, makeGermanFeed } from "./german/catalogue";
import { journalPage } from "./journal";
import { recordVisits } from "./log/record";
import { STORY } from "./log/year";
import { PAGE_SETTINGS } from "./page";
import { BAD_SETTINGS, FIRST_SETTINGS, laterSettings, MENDED_SETTINGS } from "./settings";

export const STORE = "quillmoor";
const DAY = 86_400_000;

/** Brings the German shop in: a table with semicolons, decimal commas and points in its dates. Null when the store is there. */
export async function loadGerman(engine: Engine): Promise<string | null> {
  if (engine.all().some((store) => store.row.id === GERMAN_STORE)) return null;
  const { table, pictures } = makeGermanFeed();
  writePictures(engine, GERMAN_STORE, pictures);
  const rows: Row[] = parse(table, { columns: true, delimiter: ";" });
  const assembled = assembleRows(rows, proposeMapping(rows, "de-DE"), 2);
  const store = await bringIn(engine, assembled, [], {
    id: GERMAN_STORE,
    name: "Quillmoor Gartenbedarf",
    locale: "de-DE",
    languages: ["de"],
    currency: "EUR",
    timeZone: "Europe/Berlin",
    catalogue: 0,
  });
  const message = add(["deadEnd", "message"], { de: "Zu „{query}“ haben wir nichts gefunden." });
  store.draft.patch([message], store.revision, "Maud Ellerby");
  store.release("Erste Einrichtung", "Maud Ellerby");
  return table;
}

/** Puts the releases where they were in the fourteen months, in the morning of their days. */
function dateReleases(engine: Engine, until: number): void {
  const put = engine.db.prepare("UPDATE releases SET at = ? WHERE store = ? AND number = ?");
  const daysAgo = [STORY.first, STORY.badRelease.first, STORY.badRelease.last - 1, 128, 62];
  for (const [i, days] of daysAgo.entries()) put.run(new Date(until - days * DAY + 9 * 3_600_000).toISOString(), STORE, i + 1);
}

/** The garden journal, a page that knows nothing of the shop but its public key. */
function writeSite(engine: Engine, key: string): void {
  const site = join(engine.directory, "site");
  mkdirSync(site, { recursive: true });
  writeFileSync(join(site, "index.html"), journalPage(key, ""));
}

/** Makes a store of what a feed came to. A demo feed without a problem is a promise. */
async function bringIn(engine: Engine, { fields, products, problems }: Assembled, pages: Page[], row: StoreRow): Promise<Store> {
  if (problems.count > 0) throw new Error(`The feed of ${row.name} has problems: ${JSON.stringify(problems.first.slice(0, 3))}`);
  const catalogue = { locale: row.locale, fields, products, pages };
  const store = engine.create(row);
  writeCatalogue(catalogueFile(engine.directory, row.id, 1), catalogue);
  await engine.adopt(store, 1, build(catalogue));
  return store;
}

function writePictures(engine: Engine, store: string, pictures: ReadonlyMap<string, string>): void {
  const media = join(engine.directory, "media", store);
  mkdirSync(media, { recursive: true });
  for (const [file, picture] of pictures) writeFileSync(join(media, file), picture);
}

/** Brings the demo in the way a shop would: as a feed whose columns the import works out. Null when the store is there. */
export async function loadDemo(engine: Engine): Promise<DemoCatalogue | null> {
  if (engine.all().some((store) => store.row.id === STORE)) return null;
  const made = makeCatalogue();
  writePictures(engine, STORE, made.pictures);

  const rows = made.products.map((product) => JSON.parse(JSON.stringify(product)) as Row);
  const sample = rows.filter((_, i) => i < 400 || i % 9 === 0);
  const store = await bringIn(engine, assembleRows(rows, proposeMapping(sample, "en-GB")), made.pages, {
    id: STORE,
    name: "Quillmoor Garden Supply",
    locale: "en-GB",
    languages: ["en"],
    currency: "GBP",
    timeZone: "Europe/London",
    catalogue: 0,
  });

  store.draft.patch([...FIRST_SETTINGS, ...PAGE_SETTINGS], store.revision, "Maud Ellerby");
  store.release("First set-up: fields, filters, cards, order", "Maud Ellerby");
  store.draft.patch(BAD_SETTINGS, store.revision, "Perrin Dale");
  store.release("A tidier search: titles first", "Perrin Dale");
  const bad = store.searcher("live").searcher;
  store.draft.patch(MENDED_SETTINGS, store.revision, "Maud Ellerby");
  store.release("Categories and descriptions are searched again", "Maud Ellerby");
  const bulbs = made.products
    .filter((product) => product.category[1] === "Spring bulbs" && product.stock > 0)
    .sort((a, b) => b.sold - a.sold);
  const later = laterSettings(
    bulbs.slice(0, 3).map((product) => product.id),
    Date.now(),
  );
  store.draft.patch(later.words, store.revision, "Perrin Dale");
  store.release("Local words for vegetables and tools", "Perrin Dale");
  store.draft.patch(later.shelves, store.revision, "Maud Ellerby");
  store.release("Bulb season, and something for empty searches", "Maud Ellerby");
  writeSite(engine, engine.tables.keys.of(STORE).key);
  const until = Math.floor(Date.now() / DAY) * DAY;
  dateReleases(engine, until);
  recordVisits(engine, store, made, until, bad);
  return made;
}
