import { lookUp } from "@core/records";

const NAMES: Record<string, string> = { csv: "CSV", jsonl: "JSON Lines", jsonld: "JSON-LD" };

/** Links under which a list can be taken away as a file. */
export function SaveAs({ path, formats }: { path: string; formats: readonly string[] }) {
  return (
    <span className="ml-auto flex gap-2 text-[12.5px] text-soft">
      Save as
      {formats.map((format) => (
        <a key={format} href={`${path}.${format}`} download className="text-press no-underline hover:underline">
          {lookUp(NAMES, format)}
        </a>
      ))}
    </span>
  );
}
