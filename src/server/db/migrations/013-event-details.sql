-- By which an event counts once, and what else is told of it, as JSON: see ShopperEvent in src/core/log/events.ts.
ALTER TABLE events ADD COLUMN event_id TEXT;
ALTER TABLE events ADD COLUMN details TEXT;
CREATE UNIQUE INDEX events_by_id ON events (store, event_id) WHERE event_id IS NOT NULL;
