let tell: () => void = () => undefined;

/** Settled when the first screen is drawn, or at the latest after a while: a screen that waits long keeps nothing else waiting. */
export const firstScreen = new Promise<void>((done) => {
  tell = done;
});

/** In ms. */
const PATIENCE = 2_000;

/** Told when a screen is drawn. */
export const screenIsDrawn = (): void => tell();

/** Told when the bench begins to draw. */
export const screenIsAwaited = (): void => void setTimeout(tell, PATIENCE);
