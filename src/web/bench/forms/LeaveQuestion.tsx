import { Button } from "@ui/Button";
import { AlertDialog } from "radix-ui";
import { useEffect } from "react";
import { useBlocker } from "react-router";
import { useLeaving } from "./leave";

/** Asks before a half-filled form is thrown away: by another area, another row, a cancel, or the browser's own way out. */
export function LeaveQuestion() {
  const hasBegun = useLeaving(({ begun }) => begun.size > 0);
  const isWaiting = useLeaving(({ next }) => next !== null);
  const { answer } = useLeaving.getState();
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) => useLeaving.getState().begun.size > 0 && currentLocation.pathname !== nextLocation.pathname,
  );
  useEffect(() => {
    if (blocker.state === "blocked") useLeaving.setState({ next: () => blocker.proceed() });
  }, [blocker]);
  useEffect(() => {
    if (!hasBegun) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [hasBegun]);
  const say = (isLeft: boolean) => {
    if (!isLeft && blocker.state === "blocked") blocker.reset();
    answer(isLeft);
  };
  return (
    <AlertDialog.Root open={isWaiting} onOpenChange={(isOpen) => !isOpen && useLeaving.getState().next && say(false)}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <AlertDialog.Content className="fixed top-[30%] left-1/2 z-50 w-[380px] -translate-x-1/2 rounded-md border border-rule bg-raised p-5 text-ink shadow-lg">
          <AlertDialog.Title className="font-head text-[18px]/6 font-semibold">Discard what you typed?</AlertDialog.Title>
          <AlertDialog.Description className="mt-1 text-[14px] text-soft">
            The form is filled in but not saved. If you go on, what you typed is gone.
          </AlertDialog.Description>
          <div className="mt-4 flex justify-end gap-2">
            <AlertDialog.Cancel asChild>
              <Button>Keep editing</Button>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild>
              <Button look="main" onClick={() => say(true)}>
                Discard
              </Button>
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
