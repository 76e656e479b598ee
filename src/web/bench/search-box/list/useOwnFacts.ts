import type { OwnSearchFacts } from "@contract/search-box";
import { useFact } from "../../ask/useAsk";

const NONE: OwnSearchFacts["entries"] = {};

/** What each search of the own list comes to by the draft, and how it fared. */
export const useOwnFacts = () => useFact("GET /api/stores/{store}/box/list", {})?.entries ?? NONE;
