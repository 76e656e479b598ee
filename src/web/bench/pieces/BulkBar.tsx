import { change, type PatchOperation, remove } from "@core/settings/patch";
import { Button } from "@ui/Button";
import { count, plural } from "@ui/format";

/** Where entries stand that can be switched on and off. */
type EntryPath = readonly ["words", string] | readonly ["box", "list", string];

interface Props {
  /** The entries that are chosen. */
  paths: readonly EntryPath[];
  /** One of them, and several. */
  nouns: readonly [one: string, many: string];
  onEdit: (edit: PatchOperation[]) => void;
}

/** What is done to many entries at once: on, off, removed. Nothing where none is chosen. */
export function BulkBar({ paths, nouns: [one, many], onEdit }: Props) {
  if (paths.length === 0) return null;
  const turn = (on: boolean) => onEdit(paths.flatMap((path) => change(path, { on })));
  return (
    <>
      <b className="font-semibold">{count(paths.length)} chosen</b>
      <Button onClick={() => turn(true)}>On</Button>
      <Button onClick={() => turn(false)}>Off</Button>
      <Button look="loss" onClick={() => onEdit(paths.map(remove))}>
        Remove {plural(paths.length, one, many)}
      </Button>
    </>
  );
}
