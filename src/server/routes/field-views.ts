import { fieldFacts, fieldValues } from "@core/index/facts";
import { fieldNumber } from "@core/index/read";
import { reportFieldsInSteps } from "@core/insights/catalogue/field-report";
import type { EngineView, StoreView } from "../engine/view";
import { notFound } from "../http/problem";
import { resultOf } from "../yielding";
import type { SomeReadHandlers } from "./handlers";

/** What a field holds. @throws Problem where there is none of that key. */
export function factsOfField({ index }: StoreView, key: string) {
  const facts = fieldFacts(index).find((field) => field.key === key);
  if (!facts) throw notFound(`field “${key}”`);
  const { unit: _unit, perOption: _perOption, ...shape } = facts;
  return shape;
}

/** What the fields of a catalogue hold. */
export function fieldViewHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/fields": ({ params }) =>
      fieldFacts(engine.store(params.store).searcher("draft").searcher.index).map(
        ({ unit: _unit, perOption: _perOption, ...facts }) => facts,
      ),
    "GET /api/stores/{store}/fields/report": ({ params }) => {
      const { searcher } = engine.store(params.store).searcher("draft");
      return resultOf(reportFieldsInSteps(searcher.index, searcher.settings));
    },
    "GET /api/stores/{store}/fields/{key}/values": ({ params, query }) => {
      const { index } = engine.store(params.store).searcher("draft").searcher;
      const field = fieldNumber(index, params.key);
      if (field < 0) throw notFound(`field “${params.key}”`);
      const values = fieldValues(index, field, query.search);
      return { total: values.length, values: values.slice(0, query.limit) };
    },
  } satisfies SomeReadHandlers;
}
