import { spawn, spawnSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { createServer, request } from "node:http";
import { join } from "node:path";

/** Installed, or unpacked by npm test; undefined where neither could be. */
const NGINX = ["/usr/sbin/nginx", join(__dirname, "../../dist/proxy/usr/sbin/nginx")].find(
  (file) => spawnSync(file, ["-v"], { stdio: "ignore" }).status === 0,
);

/**
 * Runs a proxy by the sites of an nginx file. Where nginx cannot be had, a stand-in reads from the same file which name leads where and
 * which headers are written.
 * @param folder for its files. @returns a way to end it.
 */
export function startProxy(sites: string, port: number, folder: string): () => void {
  if (!NGINX) return standIn(sites, port);
  const temps = ["client_body", "proxy", "fastcgi", "uwsgi", "scgi"].map((name) => `${name}_temp_path ${folder}/${name};`).join("\n");
  const file = join(folder, "nginx.conf");
  const head = `daemon off;\nmaster_process off;\npid ${folder}/pid;\nerror_log ${folder}/errors;\nevents {}\n`;
  writeFileSync(file, `${head}http {\naccess_log off;\n${temps}\n${sites.replaceAll("listen 80;", `listen 127.0.0.1:${port};`)}\n}\n`);
  const child = spawn(NGINX, ["-p", folder, "-c", file], { stdio: "ignore" });
  return () => child.kill("SIGTERM");
}

function standIn(sites: string, port: number): () => void {
  const upstreams = new Map([...sites.matchAll(/upstream (\w+) \{\s*server ([\d.:]+);/g)].map(([, name, at]) => [name, at]));
  const servers = [...sites.matchAll(/server_name (\S+);([\s\S]*?)\n\}/g)].map(([, name, body]) => ({
    name,
    at: upstreams.get(/proxy_pass http:\/\/(\w+);/.exec(body)?.[1] ?? "") ?? "",
    headers: [...body.matchAll(/proxy_set_header (\S+) (\S+);/g)].map(([, header, value]) => [header, value]),
  }));
  const server = createServer((asked, answer) => {
    const host = asked.headers.host ?? "";
    const site = servers.find(({ name }) => name === host.split(":")[0]) ?? servers[0];
    const values: Record<string, string> = {
      $host: host.split(":")[0],
      $http_host: host,
      $remote_addr: asked.socket.remoteAddress ?? "",
      $scheme: "http",
      '""': "",
    };
    const written = site.headers
      .map(([header, value]) => [header.toLowerCase(), values[value] ?? value])
      .filter(([, value]) => value !== "");
    const [hostname, to] = site.at.split(":");
    const headers = { ...asked.headers, ...Object.fromEntries(written) };
    const sent = request({ hostname, port: to, path: asked.url, method: asked.method, headers }, (given) => {
      answer.writeHead(given.statusCode ?? 502, given.headers);
      given.pipe(answer);
    });
    sent.on("error", () => answer.writeHead(502).end());
    asked.pipe(sent);
  }).listen(port, "127.0.0.1");
  return () => void server.close();
}
