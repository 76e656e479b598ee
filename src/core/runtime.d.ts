/** Two standard classes that servers, workers and browsers all have. */
declare class TextEncoder {
  encode(text: string): Uint8Array;
  encodeInto(text: string, into: Uint8Array): { read: number; written: number };
}
declare class TextDecoder {
  constructor(label?: string);
  decode(bytes: Uint8Array): string;
}
