import { Layout } from "@core/settings/page/layout";
import type { Asking } from "./address";

/** A shop that has decided nothing, for tests. */
export const PLAIN: Asking = { chosen: {}, language: "en", page: { layout: Layout.parse({}), layouts: [], firstSort: "best" } };
