import { execFileSync } from "node:child_process";
import { mkdirSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { ROUTES } from "@contract/routes";
import { ask, startServer, type TestServer } from "../support/server";

interface Document {
  openapi: string;
  paths: Record<string, Record<string, { operationId: string; responses: Record<string, { content?: object }> }>>;
  components: { schemas: Record<string, { $ref?: string }> };
}

const runIn = (cwd: string, args: string[]) => execFileSync("node", args, { stdio: "pipe", cwd });

describe("the description of the interface", () => {
  let server: TestServer;
  let document: Document;
  const packages = join(__dirname, "../../node_modules");
  const folder = join(__dirname, "../../dist/test-client");
  const described = join(folder, "openapi.json");
  beforeAll(async () => {
    server = await startServer();
    document = (await ask<Document>(server, "GET", "/api/openapi.json")).body;
    rmSync(folder, { recursive: true, force: true });
    mkdirSync(folder, { recursive: true });
    writeFileSync(described, JSON.stringify(document));
  });
  afterAll(() => server.stop());

  test("is valid OpenAPI 3.1", () => {
    expect(document.openapi).toMatch(/^3\.1/);
    // Ends with a failure, and throws with what it says, where the document is not valid.
    runIn(folder, [join(packages, "@seriousme/openapi-schema-validator/bin/validate-api-cli.js"), described]);
  });

  test("names each route of the contract once, with the answer of success and the problems", () => {
    const routes = Object.entries(document.paths).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => `${method.toUpperCase()} ${path}`),
    );
    expect(routes.sort()).toEqual(Object.keys(ROUTES).sort());
    const ids = Object.values(document.paths).flatMap((methods) => Object.values(methods).map(({ operationId }) => operationId));
    expect(new Set(ids).size).toBe(ids.length);
    for (const methods of Object.values(document.paths))
      for (const [method, { responses }] of Object.entries(methods)) {
        const success = Object.keys(responses).filter((status) => status.startsWith("2"));
        expect(success).toHaveLength(1);
        expect(responses.default).toBeDefined();
        // Without a body only where there is nothing to say.
        if (!responses[success[0]].content) expect(["202", "204"]).toContain(success[0]);
        if (method === "delete") expect(["200", "204"]).toContain(success[0]);
      }
  });

  test("every reference leads to a schema, and no schema only to itself", () => {
    const { schemas } = document.components;
    const references = [...JSON.stringify(document).matchAll(/"\$ref":"([^"]+)"/g)].map(([, reference]) => reference);
    expect(references.length).toBeGreaterThan(100);
    for (const reference of references) {
      const name = /^#\/components\/schemas\/(.+)$/.exec(reference)?.[1] ?? "";
      expect(Object.keys(schemas)).toContain(name);
    }
    for (const [name, schema] of Object.entries(schemas)) expect(schema.$ref).not.toBe(`#/components/schemas/${name}`);
  });

  test("a client made from it type-checks a program that searches, edits and reads a job, and refuses a wrong one", () => {
    runIn(folder, [
      join(packages, "openapi-typescript/bin/cli.js"),
      described,
      "--default-non-nullable",
      "false",
      "-o",
      join(folder, "api.ts"),
    ]);
    const head = 'import type { components, operations } from "./api";\n';
    writeFileSync(
      join(folder, "right.ts"),
      `${head}
      type Search = operations["postStoresStoreSearch"];
      const request: Search["requestBody"]["content"]["application/json"] = { query: "rose", filters: { price: { max: 20 } }, limit: 3 };
      declare const answer: Search["responses"][200]["content"]["application/json"];
      export const first: string = answer.hits[0].title;
      const rule: components["schemas"]["PatchOperation"] = { op: "add", path: "/words/w", value: { does: "ignore", words: ["the"] } };
      declare const job: components["schemas"]["Job"];
      export const isDone: boolean = job.state === "done" && job.problems.length === 0;
      export const sent = [request, rule];\n`,
    );
    writeFileSync(join(folder, "wrong.ts"), `${head}export const job: components["schemas"]["Job"]["state"] = "finished";\n`);
    const check = (file: string) =>
      runIn(folder, [join(packages, "typescript-native/bin/tsc"), "--noEmit", "--strict", "--ignoreConfig", join(folder, file)]);
    check("right.ts");
    expect(() => check("wrong.ts")).toThrow();
  });
});
