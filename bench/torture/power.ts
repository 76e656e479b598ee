import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Catalogue } from "@core/catalogue/types";
import { build } from "@core/index/build";
import { productAt, productNumber } from "@core/index/read";
import { add } from "@core/settings/patch";
import { catalogueFile, writeCatalogue } from "../../src/server/db/catalogue-file";
import { openDatabase } from "../../src/server/db/database";
import { indexFile, saveIndex } from "../../src/server/db/index-file";
import { createEngine, type Engine } from "../../src/server/engine/engine";
import { LossyFiles } from "./lossy-files";
import { newRow, type Row, randomFrom } from "./row";

const STEPS = 14;
const CALLS = 40;

/** What was acknowledged: the number of each catalogue and product, and of the draft. */
interface Kept {
  catalogue: number;
  price: number;
  few: number;
}

const catalogueOf = (number: number): Catalogue => ({
  locale: "en",
  fields: [
    { key: "title", label: "Title", type: "text", role: "title", unit: null, perOption: false, shown: true },
    { key: "price", label: "Price", type: "number", role: "price", unit: null, perOption: false, shown: true },
  ],
  products: Array.from({ length: 50 }, (_, i) => ({ id: `P${i}`, values: { title: `Rose of ${number}`, price: number }, options: [] })),
  pages: [],
});

/** Takes the power from an engine at a random step, with whatever was not synced lost, and opens what is left. */
export async function powerLosses(times: number, seed: number): Promise<Row> {
  const row = newRow("loss of power, what was not synced dropped");
  const random = randomFrom(seed);
  let switches = 0;
  for (let i = 0; i < times; i++) {
    row.tried++;
    const folder = mkdtempSync(join(tmpdir(), "shelf-power-"));
    try {
      switches += await once(folder, random, row);
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  }
  row.note = `${switches} catalogues taken into use before`;
  return row;
}

async function once(folder: string, random: () => number, row: Row): Promise<number> {
  const [directory, after] = [join(folder, "data"), join(folder, "after")];
  mkdirSync(directory);
  const now: Kept = { catalogue: 0, price: 0, few: 3 };
  let sent: Kept = { ...now };
  const lost: { acknowledged: Kept; sent: Kept }[] = [];
  const goesAt = 1 + Math.floor(random() * CALLS);
  const files = new LossyFiles(join(folder, "kept"), goesAt, () => {
    if (lost.length > 0) return;
    lost.push({ acknowledged: { ...now }, sent: { ...sent } });
    files.loseInto(directory, after, random);
  });
  const engine = createEngine(directory, openDatabase(directory), { files });
  const store = engine.create({ id: "s", name: "S", locale: "en", languages: ["en"], currency: "GBP", timeZone: "UTC", catalogue: 0 });
  mkdirSync(engine.storeFolder("s"), { recursive: true });
  const acknowledge = () => Object.assign(now, sent);
  for (let step = 1; step <= STEPS; step++) {
    const way = step === 1 ? 0 : random();
    if (way < 0.4) {
      sent = { ...now, catalogue: step, price: step };
      await takeIntoUse(engine, files, step);
    } else if (way < 0.7) {
      sent = { ...now, price: step + 100 };
      await store.catalogue.changeProducts(() => ({ put: [{ id: "P1", values: { title: "Changed", price: step + 100 }, options: [] }] }));
    } else {
      sent = { ...now, few: 4 + (step % 90) };
      store.draft.patch([add(["misspelling", "few"], sent.few)], store.revision, "Maud");
    }
    acknowledge();
  }
  engine.close();
  // A loss after the last step is one of all that was not synced by then.
  if (lost.length === 0) return STEPS;
  await check(after, lost[0], row);
  return now.catalogue > 0 ? 1 : 0;
}

async function takeIntoUse(engine: Engine, files: LossyFiles, number: number): Promise<void> {
  const store = engine.store("s");
  const catalogue = catalogueOf(number);
  const path = catalogueFile(engine.directory, "s", number);
  writeCatalogue(path, catalogue, store.catalogueNumber + 1, files);
  const index = build(catalogue);
  saveIndex(indexFile(path), index, store.catalogueNumber + 1);
  await engine.adopt(store, number, index);
}

/** Opens what is left, and compares it with what was acknowledged and what was under way. */
async function check(after: string, { acknowledged, sent }: { acknowledged: Kept; sent: Kept }, row: Row): Promise<void> {
  try {
    const engine = createEngine(after, openDatabase(after));
    await engine.ready("s");
    const store = engine.find("s");
    const number = store ? productNumber(store.index, "P1") : -1;
    const price = store && number >= 0 ? Number(productAt(store.index, number).values.price) : 0;
    const found = { catalogue: store?.row.catalogue ?? 0, price, few: store?.settings.misspelling.few ?? 3 };
    for (const key of ["catalogue", "price", "few"] as const)
      if (found[key] !== acknowledged[key] && found[key] !== sent[key]) {
        row.lost++;
        row.details.push(`${key} is ${found[key]}, acknowledged was ${acknowledged[key]}, under way ${sent[key]}; ${store?.damage ?? ""}`);
      }
    engine.close();
  } catch (error) {
    row.refused++;
    row.details.push(error instanceof Error ? (error.stack ?? error.message) : String(error));
  }
}
