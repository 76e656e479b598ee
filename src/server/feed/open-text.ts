import { isUtf8 } from "node:buffer";
import { closeSync, createReadStream, openSync, readSync, statSync } from "node:fs";
import { type Readable, Transform } from "node:stream";
import { createGunzip, gunzipSync } from "node:zlib";
import { FeedError } from "./feed-error";
import { LONGEST_LINE } from "./feed-row";

type Encoding = "utf-8" | "utf-16le" | "utf-16be" | "windows-1252";

/** A feed file that is known to be text, plain or packed. */
export interface TextFile {
  encoding: Encoding;
  /** The beginning, decoded, without a byte order mark. */
  head: string;
  /** The whole as UTF-8 bytes, unpacked, without a byte order mark. */
  open: () => Readable;
}

const HEAD = 64 * 1024;
const MOST_UNPACKED = 8 * 1024 ** 3;
/** Text packs to a tenth; what unpacks to more than this many times its size is no catalogue. */
const MOST_RATIO = 100;
const SMALL = 32 * 1024 ** 2;

/** Finds out how a file is packed and encoded. @throws FeedError when it is no text. */
export function openTextFile(file: string): TextFile {
  const raw = readHead(file);
  if (raw.toString("latin1", 0, 4) === "PK\u0003\u0004")
    throw new FeedError("The file is a ZIP archive, not text. Unpack it and send the file that is in it, or pack that one with gzip.");
  const isPacked = raw[0] === 0x1f && raw[1] === 0x8b;
  const head = isPacked ? unpackHead(raw) : raw;
  if (isPacked && head[0] === 0x1f && head[1] === 0x8b) throw new FeedError("The file is packed twice. Unpack it once and send it again.");
  const encoding = encodingOf(head);
  if (encoding === "utf-8" && head.includes(0))
    throw new FeedError("The file is not text: it holds bytes that no CSV, JSON or XML file has. Export it again as UTF-8 text.");
  return {
    encoding,
    head: (encoding === "windows-1252" ? repaired(head).toString("utf8") : new TextDecoder(encoding).decode(head)).replace(
      /^\uFEFF|\uFFFD$/g,
      "",
    ),
    open: () => {
      const bytes = isPacked ? unpack(file) : createReadStream(file, { highWaterMark: 256 * 1024 });
      return through(bytes, encoding === "utf-8" || encoding === "windows-1252" ? repairLines() : recode(encoding));
    },
  };
}

/** Pipes, with errors going down and an early end going up. */
function through(source: Readable, transform: Transform): Readable {
  source.on("error", (error) => transform.destroy(error));
  transform.on("close", () => source.destroy());
  return source.pipe(transform);
}

function readHead(file: string): Buffer {
  const head = Buffer.alloc(HEAD);
  const descriptor = openSync(file, "r");
  try {
    return head.subarray(0, readSync(descriptor, head, 0, HEAD, 0));
  } finally {
    closeSync(descriptor);
  }
}

const BROKEN = "The packed file is broken or was cut off. Pack it again with gzip and send it again.";

function unpackHead(raw: Buffer): Buffer {
  try {
    // The head of a packed file ends in the middle of it: what can be unpacked is taken.
    return gunzipSync(raw, { finishFlush: 2, maxOutputLength: SMALL }).subarray(0, HEAD);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === "ERR_BUFFER_TOO_LARGE") throw tooMuch();
    throw new FeedError(BROKEN);
  }
}

function tooMuch(): FeedError {
  return new FeedError(`The packed file unpacks to more than ${MOST_RATIO} times its size, which no catalogue does. Nothing was read.`);
}

function unpack(file: string): Readable {
  const packed = statSync(file).size;
  let size = 0;
  const counter = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      size += chunk.length;
      if (size > MOST_UNPACKED) done(new FeedError("The file unpacks to more than 8 GB. Send the catalogue in parts."));
      else if (size > SMALL && size > packed * MOST_RATIO) done(tooMuch());
      else done(null, chunk);
    },
  });
  const gunzip = createGunzip();
  gunzip.on("error", () => counter.destroy(new FeedError(BROKEN)));
  counter.on("close", () => gunzip.destroy());
  createReadStream(file).pipe(gunzip).pipe(counter);
  return counter;
}

/** Byte order mark first, then the zero bytes of UTF-16, then whether it is UTF-8; what is left is Latin-1 as Windows writes it. */
export function encodingOf(head: Buffer): Encoding {
  if (head[0] === 0xff && head[1] === 0xfe) return "utf-16le";
  if (head[0] === 0xfe && head[1] === 0xff) return "utf-16be";
  if (head.length >= 32 && head.includes(0)) {
    let even = 0;
    let odd = 0;
    for (let i = 0; i + 1 < head.length; i += 2) {
      if (head[i] === 0) even++;
      if (head[i + 1] === 0) odd++;
    }
    if (odd > head.length * 0.2 && even < head.length * 0.05) return "utf-16le";
    if (even > head.length * 0.2 && odd < head.length * 0.05) return "utf-16be";
  }
  // A letter may be cut off at the end of the head.
  for (let cut = 0; cut < 4; cut++) if (isUtf8(head.subarray(0, head.length - cut))) return "utf-8";
  return head.includes(0) ? "utf-8" : "windows-1252";
}

/**
 * Lines that are no UTF-8 are read as Latin-1, as Windows writes it; the others are passed on as they are. So a file that
 * was put together from two programs is read right in all of its lines.
 */
function repairLines(): Transform {
  let rest: Buffer = Buffer.alloc(0);
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      const end = chunk.lastIndexOf(10) + 1;
      if (end === 0 && rest.length + chunk.length < LONGEST_LINE) {
        rest = Buffer.concat([rest, chunk]);
        done();
        return;
      }
      const whole = Buffer.concat([rest, chunk.subarray(0, end)]);
      rest = Buffer.from(chunk.subarray(end));
      done(null, repaired(whole));
    },
    flush(done) {
      done(null, repaired(rest));
    },
  });
}

function repaired(bytes: Buffer): Buffer {
  if (isUtf8(bytes)) return bytes;
  const parts: Buffer[] = [];
  for (let from = 0; from < bytes.length; ) {
    const end = bytes.indexOf(10, from) + 1 || bytes.length;
    const line = bytes.subarray(from, end);
    parts.push(isUtf8(line) ? line : Buffer.from(decodeWindows(line), "utf8"));
    from = end;
  }
  return Buffer.concat(parts);
}

/** A text that was sent as a whole, in whatever encoding, without a byte order mark. */
export function decodeText(bytes: Buffer): string {
  const encoding = encodingOf(bytes);
  const text =
    encoding === "utf-8" || encoding === "windows-1252" ? repaired(bytes).toString("utf8") : new TextDecoder(encoding).decode(bytes);
  return text.replace(/^\uFEFF/, "");
}

/** Bytes 80 to 9F of windows-1252 (Encoding Standard, index windows-1252), which Node reads as Latin-1 has them: control characters. */
const OF_WINDOWS = "€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008DŽ\u008F\u0090‘’“”•–—˜™š›œ\u009DžŸ";

function decodeWindows(bytes: Buffer): string {
  return bytes.toString("latin1").replace(/[\u0080-\u009F]/g, (sign) => OF_WINDOWS[sign.charCodeAt(0) - 0x80]);
}

function recode(encoding: Encoding): Transform {
  const decoder = new TextDecoder(encoding);
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      done(null, Buffer.from(decoder.decode(chunk, { stream: true }), "utf8"));
    },
    flush(done) {
      done(null, Buffer.from(decoder.decode(), "utf8"));
    },
  });
}
