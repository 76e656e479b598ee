import { Button } from "@ui/Button";
import { toast } from "@ui/toast";

/** A button that takes a text to the clipboard. */
export function Copy({ text, label }: { text: string; label: string }) {
  return (
    <Button
      onClick={() =>
        // Pages without https have no clipboard.
        void (navigator.clipboard?.writeText(text) ?? Promise.reject()).then(
          () => toast.success("Copied."),
          () => toast.error("The browser does not let this page copy. Select the text and copy it by hand."),
        )
      }
    >
      {label}
    </Button>
  );
}
