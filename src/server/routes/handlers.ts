import type { AllRoutes } from "@contract/routes";
import type { Handlers, ReadHandlers } from "../http/serve";

/** Handlers of some routes; the application puts all of them together and misses none. */
export type SomeHandlers = Partial<Handlers<AllRoutes>>;

/** The same of routes that only read: workers answer them. */
export type SomeReadHandlers = Partial<ReadHandlers<AllRoutes>>;
