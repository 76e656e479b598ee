import { spawn, spawnSync } from "node:child_process";
import { existsSync, readdirSync, writeFileSync } from "node:fs";
import { createServer, request } from "node:http";
import { join } from "node:path";

const UNPACKED = join(__dirname, "../../dist/balancer");

/** Folders with the libraries of what was unpacked. */
const LIBRARIES = existsSync(UNPACKED)
  ? readdirSync(UNPACKED, { recursive: true, withFileTypes: true }).flatMap((file) => (file.name.includes(".so") ? [file.parentPath] : []))
  : [];
const env = { ...process.env, LD_LIBRARY_PATH: [...new Set(LIBRARIES)].join(":") };

/** Installed, or unpacked by npm test; undefined where neither could be. */
const HAPROXY = ["/usr/sbin/haproxy", join(UNPACKED, "usr/sbin/haproxy")].find(
  (file) => spawnSync(file, ["-v"], { stdio: "ignore", env }).status === 0,
);

/** Where a server answers shoppers, and where it says whether it is well. */
export interface Balanced {
  shop: string;
  own: string;
}

/**
 * Runs a balancer by a file of the documentation, before servers of a test. Where HAProxy cannot be had, a stand-in takes the servers in
 * turn and asks the next one where one does not answer.
 * @param folder for its file. @returns a way to end it.
 */
export function startBalancer(config: string, servers: readonly Balanced[], port: number, folder: string): () => void {
  const lines = servers.map(({ shop, own }, i) => `  server follower${i + 1} ${hostIn(shop)} port ${new URL(own).port}`);
  const own = config.replace("bind :80", `bind 127.0.0.1:${port}`).replace(/(\n {2}server .*)+/, `\n${lines.join("\n")}`);
  if (!HAPROXY)
    return standIn(
      servers.map(({ shop }) => shop),
      port,
    );
  const file = join(folder, "haproxy.cfg");
  writeFileSync(file, own);
  const child = spawn(HAPROXY, ["-db", "-f", file], { stdio: ["ignore", "ignore", "inherit"], env });
  return () => child.kill("SIGKILL");
}

const hostIn = (url: string) => new URL(url).host;

function standIn(servers: readonly string[], port: number): () => void {
  let turn = 0;
  const server = createServer((asked, answer) => {
    const chunks: Buffer[] = [];
    asked.on("data", (chunk: Buffer) => chunks.push(chunk));
    asked.on("end", () => {
      const tryNext = (left: number) => {
        const to = new URL(servers[turn++ % servers.length]);
        const { host = "" } = asked.headers;
        const headers = { ...asked.headers, "x-forwarded-host": host, "x-forwarded-for": asked.socket.remoteAddress };
        const sent = request({ hostname: to.hostname, port: to.port, path: asked.url, method: asked.method, headers }, (given) => {
          answer.writeHead(given.statusCode ?? 502, given.headers);
          given.pipe(answer);
        });
        sent.on("error", () => (left > 0 && !answer.headersSent ? tryNext(left - 1) : answer.writeHead(502).end()));
        sent.end(Buffer.concat(chunks));
      };
      tryNext(servers.length);
    });
  }).listen(port, "127.0.0.1");
  return () => void server.close();
}
