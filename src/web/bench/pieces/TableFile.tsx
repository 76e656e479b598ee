import type { LineProblem } from "@contract/parts";
import type { AnswerOf } from "@contract/route";
import type { AllRoutes } from "@contract/routes";
import { IconButton } from "@ui/Button";
import { addressOf, sayError, sendFile } from "@ui/http";
import { toast } from "@ui/toast";
import { Download, Upload } from "lucide-react";
import { useRef } from "react";
import { useOpen } from "../state/bench";

/** Routes that read a table and change nothing. */
type ReadKey = Extract<keyof AllRoutes, `POST /api/stores/{store}/${string}/read`>;

interface Props<Key extends ReadKey> {
  /** What is in the file: "word rules". */
  what: string;
  /** Where the table is had, and where a file is read. */
  from: Extract<keyof AllRoutes, `GET /api/stores/{store}/${string}.csv`>;
  to: Key;
  accept?: string;
  onRead: (answer: AnswerOf<AllRoutes[Key]>, name: string) => void | Promise<void>;
}

/** A table from and to a file. What is read changes nothing by itself. */
export function TableFile<Key extends ReadKey>({ what, from, to, accept = ".csv,text/csv", onRead }: Props<Key>) {
  const { store } = useOpen("store");
  const input = useRef<HTMLInputElement>(null);
  const read = async (file: File) => {
    try {
      await onRead(await sendFile(to, { params: { store: store.id } as never }, file), file.name);
    } catch (error) {
      toast.error(sayError(error, "The file could not be read."));
    }
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={`File of ${what}`}
        className="hidden"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) void read(file);
          event.target.value = "";
        }}
      />
      <IconButton label={`Read ${what} from a file`} onClick={() => input.current?.click()}>
        <Upload className="size-4" />
      </IconButton>
      <a
        href={addressOf(from, { store: store.id })}
        download
        aria-label={`Save ${what} as CSV`}
        title={`Save ${what} as CSV`}
        className="inline-flex size-7 items-center justify-center rounded text-soft hover:bg-press-soft hover:text-ink"
      >
        <Download className="size-4" />
      </a>
    </>
  );
}

/** The lines that could not be read, the first of them by name. */
export function sayProblems(problems: readonly LineProblem[]): string {
  const first = problems.slice(0, 3).map(({ line, message }) => `line ${line}, ${message}`);
  return first.join("; ") + (problems.length > 3 ? ` and ${problems.length - 3} more` : "");
}
