import { type ComponentType, type ReactNode, useEffect, useState } from "react";
import { Button } from "./Button";
import type { LazyScreen } from "./lazy-screen";

interface Props {
  screen: LazyScreen;
  /** What is shown until it is there. */
  waiting?: ReactNode;
  /** Told when it is drawn; stays the same function. */
  onDrawn?: () => void;
}

/**
 * A screen: drawn in the same step where it is loaded, else as soon as it is. Suspense would keep its stand-in for 0.3 s, however soon
 * the screen is there.
 */
export function Opened({ screen, waiting = null, onDrawn }: Props) {
  const [Drawn, setDrawn] = useState<ComponentType | null>(() => screen.ready);
  const [hasFailed, setFailed] = useState(false);
  useEffect(() => {
    if (Drawn || hasFailed) return;
    let isLeft = false;
    screen.load().then(
      ({ default: Loaded }) => !isLeft && setDrawn(() => Loaded),
      () => !isLeft && setFailed(true),
    );
    return () => {
      isLeft = true;
    };
  }, [screen, Drawn, hasFailed]);
  useEffect(() => {
    if (Drawn) onDrawn?.();
  }, [Drawn, onDrawn]);
  if (Drawn) return <Drawn />;
  if (!hasFailed) return waiting;
  return (
    <p role="alert" className="flex items-center gap-2 px-5 py-4 text-[13px] text-loss">
      <span>This part could not be loaded.</span>
      <Button onClick={() => setFailed(false)}>Try again</Button>
    </p>
  );
}
