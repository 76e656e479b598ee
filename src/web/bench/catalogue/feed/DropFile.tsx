import { FileUp } from "lucide-react";
import { useDropzone } from "react-dropzone";
import { useFeed } from "./state";

/** Takes a file by dropping or choosing. */
export function DropFile() {
  const send = useFeed((state) => state.send);
  const { getRootProps, getInputProps, isDragActive } = useDropzone({
    multiple: false,
    onDrop: ([file]) => {
      if (file) void send(file);
    },
  });
  return (
    <div
      {...getRootProps({
        role: "button",
        "aria-label": "Drop or choose a file with products",
        className: `flex cursor-pointer items-center gap-3 rounded border border-dashed px-4 py-3 ${isDragActive ? "border-press bg-press-soft" : "border-soft bg-raised hover:border-press"}`,
      })}
    >
      <input {...getInputProps({ "aria-label": "File with products" })} />
      <FileUp className="size-6 shrink-0 text-press" aria-hidden />
      <span>
        <b className="block font-semibold">{isDragActive ? "Let go to look at it" : "Drop a file here, or choose one"}</b>
        <span className="block text-[12.5px] text-soft">
          CSV, TSV, JSON, JSON Lines, schema.org JSON-LD, RSS or Atom; plain or packed with gzip
        </span>
      </span>
    </div>
  );
}
