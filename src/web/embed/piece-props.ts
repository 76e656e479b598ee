import type { Group } from "./group";
import type { Piece } from "./piece";

/** What is in an element. */
export interface PieceProps {
  group: Group;
  piece: Piece;
}
