import type { Operation } from "@core/shelves/edit";
import { Button } from "@ui/Button";
import { count, plural } from "@ui/format";

interface Props {
  /** Addresses of the entries that are chosen. */
  paths: readonly string[];
  /** One of them, and several. */
  nouns: readonly [one: string, many: string];
  onEdit: (edit: Operation[]) => void;
}

/** What is done to many entries at once: on, off, removed. Nothing where none is chosen. */
export function BulkBar({ paths, nouns: [one, many], onEdit }: Props) {
  if (paths.length === 0) return null;
  const turn = (on: boolean) => onEdit(paths.map((path) => ({ op: "replace", path: `${path}/on`, value: on })));
  return (
    <>
      <b className="font-semibold">{count(paths.length)} chosen</b>
      <Button onClick={() => turn(true)}>On</Button>
      <Button onClick={() => turn(false)}>Off</Button>
      <Button look="loss" onClick={() => onEdit(paths.map((path) => ({ op: "remove", path })))}>
        Remove {plural(paths.length, one, many)}
      </Button>
    </>
  );
}
