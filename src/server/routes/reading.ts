import type { RouteKey } from "@contract/routes";
import type { EngineView } from "../engine/view";
import { attributeHandlers } from "./attributes";
import { boxHandlers } from "./box";
import { demandProductViewHandlers } from "./demand-product-views";
import { demandViewHandlers } from "./demand-views";
import { duplicateViewHandlers } from "./duplicate-views";
import { exportHandlers } from "./export";
import { fieldViewHandlers } from "./field-views";
import { filterHandlers } from "./filters";
import { groupHandlers } from "./groups";
import type { SomeReadHandlers } from "./handlers";
import { logViewHandlers } from "./log-views";
import { pageLookHandlers } from "./page";
import { pageViewHandlers } from "./page-views";
import { productViewHandlers } from "./product-views";
import { rankingHandlers } from "./ranking";
import { besideHandlers } from "./recommendations";
import { repairHandlers } from "./repair";
import { ruleFileHandlers } from "./rule-files";
import { searchHandlers } from "./search";
import { selectionHandlers } from "./selections";
import { shelfHandlers } from "./shelves";
import { shopViewHandlers } from "./shop-views";
import { trialHandlers } from "./trial";
import { wordHandlers } from "./words";

/** Routes that only read: workers answer them, so that nothing in them holds up another request. */
export function readingHandlers(engine: EngineView) {
  return {
    ...searchHandlers(engine),
    ...shopViewHandlers(engine),
    ...productViewHandlers(engine),
    ...duplicateViewHandlers(engine),
    ...fieldViewHandlers(engine),
    ...pageViewHandlers(engine),
    ...selectionHandlers(engine),
    ...exportHandlers(engine),
    ...logViewHandlers(engine),
    ...demandViewHandlers(engine),
    ...demandProductViewHandlers(engine),
    ...trialHandlers(engine),
    ...wordHandlers(engine),
    ...groupHandlers(engine),
    ...rankingHandlers(engine),
    ...shelfHandlers(engine),
    ...besideHandlers(engine),
    ...ruleFileHandlers(engine),
    ...boxHandlers(engine),
    ...repairHandlers(engine),
    ...attributeHandlers(engine),
    ...filterHandlers(engine),
    ...pageLookHandlers(engine),
  } satisfies SomeReadHandlers;
}

type OwnKey = keyof ReturnType<typeof readingHandlers>;
/** Keys of routes that workers answer; those of the shop's pages go for its public door too. */
export type ReadKey = OwnKey | PublicKey<OwnKey>;
type PublicKey<Key> = Key extends `${infer Method} /shop/{store}${infer Rest}` ? `${Method} /public/{key}${Rest}` : never;

/** Of all routes that workers answer, by both doors of the shop. */
export function readKeys(): ReadKey[] {
  // What answers is made where it is asked; here its names are wanted alone.
  const keys = Object.keys(readingHandlers({} as EngineView)) as OwnKey[];
  const publicKeys = keys.flatMap((key) => (key.includes(" /shop/") ? [key.replace("/shop/{store}", "/public/{key}") as ReadKey] : []));
  return [...keys, ...publicKeys] satisfies RouteKey[];
}
