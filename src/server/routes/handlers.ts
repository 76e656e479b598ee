import type { AllRoutes } from "@contract/routes";
import type { Handlers } from "../http/serve";

/** Handlers of some routes; the application puts all of them together and misses none. */
export type SomeHandlers = Partial<Handlers<AllRoutes>>;
