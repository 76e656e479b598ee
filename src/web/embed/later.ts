import { lazy } from "react";

/** What is loaded when something was searched, or on pages of products; a box alone needs none of it. */
const loadResults = () => import("./ResultsPiece");
export const ResultsPiece = lazy(loadResults);
export const FiltersPiece = lazy(() => loadResults().then(({ FiltersPiece: content }) => ({ default: content })));
export const RelatedPiece = lazy(() => import("./RelatedPiece"));

/** Begins to load while the answer to a search is on its way. */
export const expectResults = (): void => void loadResults();
