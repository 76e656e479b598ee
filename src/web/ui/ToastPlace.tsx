import { useEffect } from "react";
import { Toaster } from "sonner";
import { messagesAreShown } from "./toast";

/** Where messages appear in passing. */
export default function ToastPlace() {
  useEffect(messagesAreShown, []);
  return (
    <Toaster
      position="bottom-left"
      offset={{ left: 164, bottom: 16 }}
      className="!font-sans"
      toastOptions={{
        style: { background: "var(--raised)", color: "var(--ink)", borderColor: "var(--rule)", font: "inherit" },
        actionButtonStyle: { background: "var(--press)", color: "var(--on-press)" },
      }}
    />
  );
}
