import { FileUp } from "lucide-react";
import type { ReactNode } from "react";
import { useDropzone } from "react-dropzone";

interface Props {
  /** What the file holds, for the name of the control ("products"). */
  of: string;
  title: string;
  children: ReactNode;
  onFile: (file: File) => void;
}

/** Takes one file, dropped or chosen. */
export function DropZone({ of, title, children, onFile }: Props) {
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    multiple: false,
    noClick: true,
    noKeyboard: true,
    onDrop: ([file]) => {
      if (file) onFile(file);
    },
  });
  return (
    <div {...getRootProps({ role: "presentation", className: "mb-3" })}>
      <input {...getInputProps({ "aria-label": `File with ${of}` })} />
      <button
        type="button"
        data-next-step
        onClick={open}
        className={`flex w-full items-center gap-3 rounded border border-dashed px-4 py-3 text-left ${isDragActive ? "border-press bg-press-soft" : "border-soft bg-raised hover:border-press"}`}
      >
        <FileUp className="size-6 shrink-0 text-press" aria-hidden />
        <span>
          <b className="block font-semibold">{isDragActive ? "Let go to look at it" : title}</b>
          <span className="block text-[12.5px] text-soft">{children}</span>
        </span>
      </button>
    </div>
  );
}
