import { useFact } from "../ask/useAsk";

const NONE: { id: string; title: string }[] = [];

/** The shop's guides and information pages by name. */
export const useGuides = () => useFact("GET /api/stores/{store}/pages", {}, { of: "store" }) ?? NONE;
