import { readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { brotliCompressSync, constants, gzipSync } from "node:zlib";
import { root } from "./prepare.mjs";

/** Beside each text of the built pages, what is sent of it to whoever takes it compressed. */
const TEXTS = /\.(?:js|css|html|svg|json)$/;
/** Less is not worth it. */
const LEAST = 1024;
/** The last step to 11 takes ten times as long for 3 % less. */
const QUALITY = { params: { [constants.BROTLI_PARAM_QUALITY]: 10 } };

const folder = join(root, "dist/web");
for (const name of readdirSync(folder, { recursive: true })) {
  const file = join(folder, name);
  if (!TEXTS.test(name) || statSync(file).size < LEAST) continue;
  const text = readFileSync(file);
  writeFileSync(`${file}.br`, brotliCompressSync(text, QUALITY));
  writeFileSync(`${file}.gz`, gzipSync(text, { level: 9 }));
}
