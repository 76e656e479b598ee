-- What a search gave the shopper, beside what was asked; see LoggedEvent in src/core/measure/events.ts.
ALTER TABLE events ADD COLUMN searched TEXT;
ALTER TABLE events ADD COLUMN outcome TEXT;
ALTER TABLE events ADD COLUMN total INTEGER;
-- JSON arrays of ids.
ALTER TABLE events ADD COLUMN shown TEXT;
ALTER TABLE events ADD COLUMN rules TEXT;

-- What the log came to at a moment: answers that use it name the number.
CREATE TABLE log_snapshots (
  store TEXT NOT NULL REFERENCES stores (id) ON DELETE CASCADE,
  number INTEGER NOT NULL,
  at TEXT NOT NULL,
  stats TEXT NOT NULL,
  PRIMARY KEY (store, number)
) STRICT, WITHOUT ROWID;

CREATE TABLE log_settings (
  store TEXT PRIMARY KEY REFERENCES stores (id) ON DELETE CASCADE,
  keep_days INTEGER NOT NULL
) STRICT;

-- What somebody thought of a result.
CREATE TABLE judgments (
  store TEXT NOT NULL REFERENCES stores (id) ON DELETE CASCADE,
  query TEXT NOT NULL,
  product TEXT NOT NULL,
  verdict TEXT NOT NULL CHECK (verdict IN ('good', 'bad')),
  by TEXT NOT NULL,
  at TEXT NOT NULL,
  PRIMARY KEY (store, query, product)
) STRICT, WITHOUT ROWID;
