import { pick } from "./row";

/** A JSON Schema, as far as values are made from it. */
export interface Schema {
  $ref?: string;
  const?: unknown;
  enum?: unknown[];
  anyOf?: Schema[];
  oneOf?: Schema[];
  allOf?: Schema[];
  type?: string | string[];
  format?: string;
  pattern?: string;
  minimum?: number;
  maximum?: number;
  minItems?: number;
  items?: Schema;
  prefixItems?: Schema[];
  properties?: Record<string, Schema>;
  required?: string[];
  additionalProperties?: Schema | boolean;
}

/** Names that break programs which take them for their own, cannot be written, or are not what they seem. */
export const NAMES = [
  "constructor",
  "__proto__",
  "toString",
  "hasOwnProperty",
  "valueOf",
  "",
  " ",
  "a/b~c",
  "e\u0301\u0301",
  "\u0000",
  "\ud800",
  "\u202e",
  "x".repeat(500),
  "rose",
  "A1",
  "title",
  "price",
  "colour",
  ":availability",
  "NaN",
  "-1",
  "1e999",
  "../../etc/passwd",
  "%00",
  "💐",
  "ﬁ",
  "İ",
  "en",
  "de-AT",
  "w",
  "s",
  "k",
  "<style>",
  "'; --",
];
const NUMBERS = [0, 1, -1, 0.5, 1e308, -1e308, 2 ** 53, 7, 24, 1e9, 65, -0];
const OTHERS = [null, [], {}, "", 0, "constructor", [[]], true];
const MOST_DEEP = 7;

/** Makes values that are like what a schema says, and now and then are not. @param root where references lead. */
export function generator(root: object, random: () => number): (schema: Schema | undefined) => unknown {
  const resolve = (schema: Schema): Schema => {
    if (!schema.$ref) return schema;
    const found = schema.$ref
      .split("/")
      .slice(1)
      .reduce<unknown>((part, key) => (part as Record<string, unknown>)[key], root);
    return resolve(found as Schema);
  };

  function make(given: Schema | undefined, depth: number): unknown {
    const schema = resolve(given ?? {});
    if (random() < 0.03) return pick(random, OTHERS);
    if (schema.const !== undefined) return schema.const;
    if (schema.enum) return pick(random, schema.enum);
    const ways = schema.anyOf ?? schema.oneOf;
    if (ways) return make(depth > MOST_DEEP ? ways.at(-1) : pick(random, ways), depth + 1);
    if (schema.allOf) return Object.assign({}, ...schema.allOf.map((part) => make(part, depth + 1)));
    switch (Array.isArray(schema.type) ? pick(random, schema.type) : schema.type) {
      case "string":
        return (schema.format === "date-time" || schema.pattern?.includes("\\d{4}")) && random() < 0.7
          ? "2026-01-01T00:00:00Z"
          : pick(random, NAMES);
      case "integer":
      case "number":
        return number(schema);
      case "boolean":
        return random() < 0.5;
      case "null":
        return null;
      case "array":
        return depth > MOST_DEEP
          ? []
          : Array.from({ length: Math.max(schema.minItems ?? 0, Math.floor(random() * 4)) }, () =>
              make(schema.items ?? schema.prefixItems?.[0], depth + 1),
            );
      default:
        return object(schema, depth);
    }
  }

  function number({ type, minimum = -1e6, maximum = 1e6 }: Schema): number {
    if (random() < 0.1) return pick(random, NUMBERS);
    const value = Math.max(minimum, Math.min(maximum, pick(random, NUMBERS)));
    return type === "integer" ? Math.floor(value) : value;
  }

  function object({ properties = {}, required = [], additionalProperties: others }: Schema, depth: number): object {
    const made: Record<string, unknown> = {};
    const put = (key: string, value: unknown) =>
      Object.defineProperty(made, key, { value, enumerable: true, configurable: true, writable: true });
    for (const [key, schema] of Object.entries(properties)) if (required.includes(key) || random() < 0.3) put(key, make(schema, depth + 1));
    if (typeof others === "object") for (let i = 0; i < random() * 3; i++) put(pick(random, NAMES), make(others, depth + 1));
    return made;
  }

  return (schema) => make(schema, 0);
}
