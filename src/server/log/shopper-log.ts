import type { ShopperEvent, Shown } from "@core/log/events";
import type { Suggested } from "@core/suggest/request";
import type { EventLog } from "./event-log";
import type { OffersTable } from "./offers";
import type { ShownSearches } from "./shown-searches";

/** Takes what shoppers do and were shown: into the log, or on a follower on its way there. */
export interface ShopperLog {
  /** Keeps what a search showed until the shopper's page says who saw it. */
  remember(searchId: string, shown: Shown): void;
  did(store: string, events: readonly ShopperEvent[]): void;
  /** An answer in which entries of the own list stood. */
  offered(store: string, answer: Pick<Suggested, "blocks">): void;
  /** An entry of the own list was taken. */
  taken(store: string, own: string): void;
}

export const shopperLog = (events: EventLog, offers: OffersTable, shown: ShownSearches): ShopperLog => ({
  remember: shown.put,
  did: events.add,
  offered: offers.shown,
  taken: offers.taken,
});
