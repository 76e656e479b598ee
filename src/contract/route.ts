import type { z } from "zod";

/** An answer that is a file of one of some media types. */
interface FileAnswer {
  readonly file: readonly string[];
}

export const file = (...types: string[]): FileAnswer => ({ file: types });

/** An answer without a body. */
export const nothing = null;

type Reply = z.ZodType | FileAnswer | null;
type SuccessStatus = 200 | 201 | 202 | 204;

/** What a route takes and what it answers. Whatever goes wrong is answered by a `Problem`. */
export interface Route {
  summary: string;
  query?: z.ZodObject;
  /** The schema of a JSON body. */
  body?: z.ZodType;
  /** The media type of a JSON body where it is not application/json; "*" for a file of any type, which is no JSON. */
  accepts?: "application/json-patch+json" | "*";
  /** How large a body may be at most, where it is less than what any body may be. */
  mostBytes?: number;
  /** The one answer of success, by its status. */
  answers: { readonly [S in SuccessStatus]?: Reply };
  /** Statuses of problems beside those that follow from what the route takes. */
  problems?: readonly number[];
}

/** Routes by "METHOD /path"; parts of the path in braces are parameters. */
export type Routes = { readonly [key: `${"GET" | "POST" | "PUT" | "PATCH" | "DELETE"} /${string}`]: Route };

/** The names of the parameters of a path. */
export type ParamsOf<Key> = Key extends `${string}{${infer Name}}${infer Rest}` ? { [N in Name]: string } & ParamsOf<Rest> : unknown;

type ReplyOf<R extends Route> = R["answers"][keyof R["answers"]];
type Nothing = ReturnType<VoidFunction>;
/** What a route gives: its JSON, a file, or nothing. */
export type AnswerOf<R extends Route, File = Response> =
  ReplyOf<R> extends z.ZodType ? z.output<ReplyOf<R>> : ReplyOf<R> extends FileAnswer ? File : Nothing;
/** What a caller sends. */
export type BodyOf<R extends Route> = R extends { body: infer B extends z.ZodType } ? z.input<B> : never;
export type QueryOf<R extends Route> = R extends { query: infer Q extends z.ZodType } ? z.input<Q> : never;

/** The same routes below another address. */
export type Below<Base extends string, R> = {
  [K in keyof R as K extends `${infer Method} ${infer Path}` ? `${Method} ${Base}${Path}` : never]: R[K];
};

export function below<Base extends string, R extends object>(base: Base, routes: R): Below<Base, R> {
  const moved = Object.entries(routes).map(([key, value]) => [key.replace(" ", ` ${base}`), value]);
  return Object.fromEntries(moved) as Below<Base, R>;
}

/** The status with which a route succeeds. */
export function statusOf({ answers }: Route): SuccessStatus {
  return Number(Object.keys(answers)[0]) as SuccessStatus;
}
