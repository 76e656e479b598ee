import { Problem } from "@contract/parts";
import { type Route, statusOf } from "@contract/route";
import { ROUTES } from "@contract/routes";
import { z } from "zod";

/** Routes with their paths as expressions; those with fewer parameters come first, since they are the more exact ones. */
const MATCHERS = Object.entries<Route>(ROUTES)
  .map(([key, route]) => {
    const [method, path] = key.split(" ");
    return {
      key,
      method,
      route,
      path: new RegExp(`^${path.replace(/[.]/g, "\\.").replace(/\{\w+\}/g, "[^/]+")}$`),
      named: path.split("{").length,
    };
  })
  .sort((a, b) => a.named - b.named);

/** Which routes the tests of this process have called. */
export const called = new Set<string>();

/**
 * Holds an answer against the contract: its status must be one that the route may give, its body must be what the schema says, key
 * for key. What is not part of the interface is not looked at.
 */
export function holdToContract(method: string, path: string, status: number, type: string, body: unknown): void {
  const [address] = path.split("?");
  const known = MATCHERS.find((entry) => entry.method === method && entry.path.test(address));
  if (!known) return;
  called.add(known.key);
  if (status >= 400) {
    expectShape(known.key, Problem, body);
    return;
  }
  if (status !== statusOf(known.route)) throw new Error(`${known.key} answered ${status}, which the contract does not name.`);
  const reply = known.route.answers[status as 200];
  if (reply === null || reply === undefined) {
    if (body !== "") throw new Error(`${known.key} answers nothing by the contract, but sent ${JSON.stringify(body).slice(0, 200)}.`);
  } else if ("file" in reply) {
    if (!reply.file.includes(type.split(";")[0])) throw new Error(`${known.key} answered ${type}, not ${reply.file.join(" or ")}.`);
  } else expectShape(known.key, reply, body);
}

function expectShape(key: string, schema: z.ZodType, body: unknown): void {
  const { error } = schema.safeParse(body);
  if (error) throw new Error(`${key} does not answer as the contract says: ${z.prettifyError(error).slice(0, 1500)}`);
}
