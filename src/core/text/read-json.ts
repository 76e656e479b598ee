/** Levels of nesting that JSON from outside may have; settings and requests need a dozen. */
const MOST_LEVELS = 64;

/** JSON that is nested more deeply than anything that is meant. */
export class TooDeep extends Error {
  constructor() {
    super(`it is nested more than ${MOST_LEVELS} levels deep`);
  }
}

/**
 * Reads JSON from outside. What is nested too deeply is refused before it is parsed: whatever later goes through it level by level
 * would run out of stack.
 * @throws SyntaxError where it is not JSON, TooDeep.
 */
export function readJson(text: string): unknown {
  if (isTooDeep(text)) throw new TooDeep();
  return JSON.parse(text);
}

const QUOTE = 34;
const BACKSLASH = 92;

function isTooDeep(text: string): boolean {
  let levels = 0;
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    if (code === QUOTE) {
      for (i++; i < text.length && text.charCodeAt(i) !== QUOTE; i++) if (text.charCodeAt(i) === BACKSLASH) i++;
      // "[" and "{"
    } else if (code === 91 || code === 123) {
      if (++levels > MOST_LEVELS) return true;
      // "]" and "}"
    } else if (code === 93 || code === 125) levels--;
  }
  return false;
}
