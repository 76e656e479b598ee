import { fieldFacts, fieldValues } from "@core/catalogue/facts";
import { reportFields } from "@core/catalogue/field-report";
import { fieldNumber } from "@core/index/read";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Api } from "../http/api";
import { notFound } from "../http/problem";
import { FieldPatch, FieldReportShape, FieldShape } from "./shapes";

const ValueCount = z.strictObject({ value: z.string(), products: z.number().int() }).meta({ id: "ValueCount" });

export function fieldRoutes(api: Api, engine: Engine): void {
  api
    .route({
      method: "get",
      path: "/api/stores/{store}/fields",
      summary: "What each field holds",
      answers: { status: 200, schema: z.array(FieldShape) },
      handle: ({ param }) =>
        fieldFacts(engine.store(param("store")).searcher("draft").searcher.index).map(
          ({ unit: _unit, perOption: _perOption, ...facts }) => facts,
        ),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/fields/report",
      summary: "A page of facts: each field with its distribution, its uses and what is odd about it",
      answers: { status: 200, schema: z.array(FieldReportShape) },
      handle: ({ param }) => {
        const { searcher } = engine.store(param("store")).searcher("draft");
        return reportFields(searcher.index, searcher.settings);
      },
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/fields/{key}/values",
      summary: "The values of a field, the most frequent first; search= for those with a text",
      answers: { status: 200, schema: z.strictObject({ total: z.number().int(), values: z.array(ValueCount) }) },
      handle: ({ param, query }) => {
        const { index } = engine.store(param("store")).searcher("draft").searcher;
        const field = fieldNumber(index, param("key"));
        if (field < 0) throw notFound(`field “${param("key")}”`);
        const values = fieldValues(index, field, query.search ?? "");
        return { total: values.length, values: values.slice(0, Math.min(5000, Number(query.limit ?? 50) || 50)) };
      },
    })
    .route({
      method: "patch",
      path: "/api/stores/{store}/fields/{key}",
      summary: "Rename a field, or say whether shoppers may see it; acts at once",
      body: FieldPatch,
      answers: { status: 200, schema: FieldShape },
      handle: ({ param, body }) => {
        const store = engine.store(param("store"));
        const key = param("key");
        if (!store.index.fields.some((field) => field.key === key)) throw notFound(`field “${key}”`);
        const fields = store.index.fields.map((field) => (field.key === key ? { ...field, ...body } : field));
        store.setFields(fields);
        const { columns } = engine.tables.feeds.of(store.row.id);
        const renamed = Object.entries(columns).map(([column, entry]) => [column, entry.key === key ? { ...entry, ...body } : entry]);
        engine.tables.feeds.change(store.row.id, { columns: Object.fromEntries(renamed) });
        const facts = fieldFacts(store.index).find((field) => field.key === key);
        if (!facts) throw notFound(`field “${key}”`);
        const { unit: _unit, perOption: _perOption, ...shape } = facts;
        return shape;
      },
    });
}
