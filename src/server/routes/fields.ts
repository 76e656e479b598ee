import { fieldFacts, fieldValues } from "@core/index/facts";
import { fieldNumber } from "@core/index/read";
import { reportFieldsInSteps } from "@core/insights/catalogue/field-report";
import type { Engine } from "../engine/engine";
import { notFound } from "../http/problem";
import { resultOf } from "../yielding";
import type { SomeHandlers } from "./handlers";

export function fieldHandlers(engine: Engine) {
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
    "PATCH /api/stores/{store}/fields/{key}": async ({ params, body }) => {
      const store = engine.store(params.store);
      const key = params.key;
      await store.catalogue.changeFields((before) => {
        if (!before.some((field) => field.key === key)) throw notFound(`field “${key}”`);
        return before.map((field) => (field.key === key ? { ...field, ...body } : field));
      });
      const { columns } = engine.tables.feeds.of(store.row.id);
      const renamed = Object.entries(columns).map(([column, entry]) => [column, entry.key === key ? { ...entry, ...body } : entry]);
      engine.tables.feeds.change(store.row.id, { columns: Object.fromEntries(renamed) });
      const facts = fieldFacts(store.index).find((field) => field.key === key);
      if (!facts) throw notFound(`field “${key}”`);
      const { unit: _unit, perOption: _perOption, ...shape } = facts;
      return shape;
    },
  } satisfies SomeHandlers;
}
