import { createHash } from "node:crypto";
import { createReadStream, existsSync, lstatSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join, relative, sep } from "node:path";
import { pipeline } from "node:stream/promises";
import { create, extract } from "tar";
import { FILES } from "../db/files";
import { BackupError, MANIFEST, Manifest } from "./manifest";

/** A backup is a gzipped tar file: its manifest first, then the files that it names, with their checksums. */

/** Writes all files of a folder to one file, which has its name once it is whole. */
export async function pack(folder: string, to: string, about: Omit<Manifest, "kind" | "version" | "files">): Promise<void> {
  const paths = filesIn(folder);
  const files = [];
  for (const path of paths) files.push({ path, bytes: lstatSync(join(folder, path)).size, sha256: await checksum(join(folder, path)) });
  const manifest: Manifest = { kind: "clever-shelf-backup", version: 1, ...about, files };
  writeFileSync(join(folder, MANIFEST), `${JSON.stringify(manifest, null, 2)}\n`);
  const part = `${to}.part`;
  try {
    await create({ file: part, cwd: folder, gzip: { level: 6 }, portable: true }, [MANIFEST, ...paths]);
    FILES.sync(part);
    FILES.rename(part, to);
    FILES.sync(dirname(to));
  } finally {
    FILES.remove(part);
  }
}

/** Takes a backup apart into an empty folder. @throws BackupError where it is damaged, or none. */
export async function unpack(from: string, folder: string): Promise<Manifest> {
  if (!existsSync(from)) throw new BackupError(`There is no file ${from}.`);
  try {
    // Nothing but files: a link could lead out of the folder.
    await extract({ file: from, cwd: folder, strict: true, filter: (_, entry) => "type" in entry && entry.type === "File" });
  } catch (error) {
    throw damaged(from, error instanceof Error ? error.message : String(error));
  }
  const manifest = readManifest(from, join(folder, MANIFEST));
  const present = new Set(filesIn(folder));
  for (const { path, bytes, sha256 } of manifest.files) {
    if (!present.delete(path)) throw damaged(from, `${path} is missing`);
    if (lstatSync(join(folder, path)).size !== bytes || (await checksum(join(folder, path))) !== sha256)
      throw damaged(from, `${path} is not what was saved`);
  }
  for (const path of present) throw damaged(from, `${path} does not belong to it`);
  return manifest;
}

const damaged = (file: string, why: string) =>
  new BackupError(`${file} is damaged or no backup (${why}). Nothing was changed; take another one.`);

function readManifest(from: string, file: string): Manifest {
  if (!existsSync(file)) throw damaged(from, `it has no ${MANIFEST}`);
  try {
    return Manifest.parse(JSON.parse(readFileSync(file, "utf8")));
  } catch {
    throw damaged(from, `its ${MANIFEST} cannot be read`);
  }
}

/** Paths of the files below a folder but the manifest, with slashes. */
function filesIn(folder: string): string[] {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) =>
      relative(folder, join(entry.parentPath ?? entry.path, entry.name))
        .split(sep)
        .join("/"),
    )
    .filter((path) => path !== MANIFEST)
    .sort();
}

async function checksum(file: string): Promise<string> {
  const hash = createHash("sha256");
  await pipeline(createReadStream(file), hash);
  return hash.digest("hex");
}
