import { lookUp } from "@core/records";
import type { BoxBlock } from "@core/settings/box/block";
import type { Box, BoxMoment } from "@core/settings/box/box";
import type { BoxMomentName } from "@core/settings/box/usual";
import { add, change, freeId, type PatchOperation, remove, set } from "@core/settings/patch";
import { rankBehind, rankBetween } from "@core/settings/rank";
import { inRankOrder } from "@core/settings/ranked";

/** What is done to the panel of the draft, as edits; nothing here knows of the page. */

export const MOST_COLUMNS = 3;
const WHOLE = 12;

const columnOf = ({ shares }: BoxMoment, { column }: BoxBlock) => Math.min(column, shares.length - 1);

/** The blocks of each column in their order, switched off or not. */
export function columnsIn(moment: BoxMoment): [string, BoxBlock][][] {
  const ordered = inRankOrder(moment.blocks);
  return moment.shares.map((_, column) => ordered.filter(([, block]) => columnOf(moment, block) === column));
}

export function changeBlock(moment: BoxMomentName, id: string, part: Partial<BoxBlock>): PatchOperation[] {
  return change(["box", "moments", moment, "blocks", id], part);
}

/**
 * Puts a block at a place of a column, both from 0. The column behind the last is a new one; a column that is left empty goes.
 */
export function placeBlock(box: Box, name: BoxMomentName, id: string, column: number, place: number): PatchOperation[] {
  const moment = box.moments[name];
  const block = lookUp(moment.blocks, id);
  if (!block) return [];
  const columns = columnsIn(moment);
  const isNew = column >= columns.length;
  if (isNew && columns.length >= MOST_COLUMNS) return [];
  const others = (columns[column] ?? []).filter(([other]) => other !== id);
  const rank = rankBetween(others[place - 1]?.[1].rank ?? null, others[place]?.[1].rank ?? null);
  const from = columnOf(moment, block);
  const leavesEmpty = from !== column && columns[from].length === 1;
  if (!isNew && !leavesEmpty) return changeBlock(name, id, from === column ? { rank } : { column, rank });
  const shares = isNew ? [...moment.shares, shareFor(moment.shares)] : moment.shares;
  const moved = { ...moment.blocks, [id]: { ...block, column, rank } };
  return [set(["box", "moments", name], withoutEmpty({ shares, blocks: moved }))];
}

/** A new column is as wide as the others are on average, at most a third of the whole. */
function shareFor(shares: readonly number[]): number {
  const mean = shares.reduce((sum, share) => sum + share, 0) / shares.length;
  return Math.max(1, Math.min(WHOLE / 3, Math.round(mean)));
}

function withoutEmpty(moment: BoxMoment): BoxMoment {
  const filled = columnsIn(moment).map((blocks) => blocks.length > 0);
  if (filled.every(Boolean) || !filled.some(Boolean)) return moment;
  const numbers = filled.map((_, column) => filled.slice(0, column).filter(Boolean).length);
  return {
    shares: moment.shares.filter((_, column) => filled[column]),
    blocks: Object.fromEntries(
      Object.entries(moment.blocks).map(([id, block]) => [id, { ...block, column: numbers[columnOf(moment, block)] }]),
    ),
  };
}

export function removeBlock(box: Box, name: BoxMomentName, id: string): PatchOperation[] {
  const moment = box.moments[name];
  const { [id]: gone, ...blocks } = moment.blocks;
  if (!gone) return [];
  const next = withoutEmpty({ ...moment, blocks });
  if (next.shares.length === moment.shares.length) return [remove(["box", "moments", name, "blocks", id])];
  return [set(["box", "moments", name], next)];
}

/** Adds a block below all others of the last column. @returns the edit and the block's id. */
export function addBlock(box: Box, name: BoxMomentName, block: Omit<BoxBlock, "rank" | "column">): { id: string; edit: PatchOperation[] } {
  const { blocks, shares } = box.moments[name];
  const id = freeId(blocks, block.kind);
  const value = { ...block, column: shares.length - 1, rank: rankBehind(blocks) } as BoxBlock;
  return { id, edit: [add(["box", "moments", name, "blocks", id], value)] };
}

/** Moves the edge behind a column by some shares of twelve; what one column gains the next one loses. */
export function moveEdge(shares: readonly number[], column: number, by: number): number[] {
  const next = [...shares];
  const step = Math.max(1 - next[column], Math.min(by, next[column + 1] - 1));
  next[column] += step;
  next[column + 1] -= step;
  return next;
}

/** The shares as twelfths, so that an edge always has room to be moved. */
export function inTwelfths(shares: readonly number[]): number[] {
  const sum = shares.reduce((total, share) => total + share, 0);
  const parts = shares.map((share) => Math.max(1, Math.round((share / sum) * WHOLE)));
  const widest = parts.indexOf(Math.max(...parts));
  parts[widest] += WHOLE - parts.reduce((total, share) => total + share, 0);
  return parts;
}

export function setShares(moment: BoxMomentName, shares: number[]): PatchOperation[] {
  return [set(["box", "moments", moment, "shares"], shares)];
}
