import { request } from "node:http";

/** Calls a server by another name than its own, or with headers that a browser would not let a page set. */
export function callAs(
  url: string,
  method: string,
  path: string,
  headers: Record<string, string>,
  body?: unknown,
): Promise<{ status: number; headers: NodeJS.Dict<string | string[]>; body: string }> {
  const { hostname, port } = new URL(url);
  return new Promise((done, fail) => {
    const sent = request(
      { hostname, port, path, method, headers: { ...(body === undefined ? {} : { "content-type": "application/json" }), ...headers } },
      (answer) => {
        let text = "";
        answer.setEncoding("utf8");
        answer.on("data", (part: string) => (text += part));
        answer.on("end", () => done({ status: answer.statusCode ?? 0, headers: answer.headers, body: text }));
      },
    );
    sent.on("error", fail);
    sent.end(body === undefined ? undefined : JSON.stringify(body));
  });
}
