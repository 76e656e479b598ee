import { IconButton } from "@ui/Button";
import { toast } from "@ui/toast";
import { Link2 } from "lucide-react";
import { linkHere } from "../window/WindowInAddress";

/** Copies the address of what is looked at and worked on, for a colleague. */
export function CopyLink() {
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(linkHere());
      toast.success("Link copied: it opens this screen and this search.");
    } catch {
      toast.error("The browser does not let the link be copied. Copy it from the address bar.");
    }
  };
  return (
    <IconButton label="Copy link" onClick={() => void copy()}>
      <Link2 className="size-4" />
    </IconButton>
  );
}
