import type { Box, BoxLook } from "./box";

export function lookOfBox({ from, finish, marks, voice, anchor, scoped, line }: Box): BoxLook {
  return { from, finish, marks, voice, anchor, scoped, line };
}
