CREATE TABLE stores (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  locale TEXT NOT NULL,
  languages TEXT NOT NULL,
  currency TEXT NOT NULL,
  time_zone TEXT NOT NULL,
  -- Number of the catalogue that is served; its products are in a file of their own. 0 before the first import.
  catalogue INTEGER NOT NULL DEFAULT 0,
  created_at TEXT NOT NULL
) STRICT;

CREATE TABLE drafts (
  store TEXT PRIMARY KEY REFERENCES stores (id) ON DELETE CASCADE,
  revision INTEGER NOT NULL,
  settings TEXT NOT NULL
) STRICT;

-- Every edit of a draft. undone: 0 stands, 1 taken back and can be redone, 2 taken back for good.
CREATE TABLE edits (
  store TEXT NOT NULL REFERENCES stores (id) ON DELETE CASCADE,
  revision INTEGER NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('edit', 'undo', 'redo')),
  target INTEGER,
  patch TEXT NOT NULL,
  inverse TEXT NOT NULL,
  by TEXT NOT NULL,
  at TEXT NOT NULL,
  undone INTEGER NOT NULL DEFAULT 0,
  PRIMARY KEY (store, revision)
) STRICT, WITHOUT ROWID;

CREATE TABLE releases (
  store TEXT NOT NULL REFERENCES stores (id) ON DELETE CASCADE,
  number INTEGER NOT NULL,
  revision INTEGER NOT NULL,
  note TEXT NOT NULL,
  by TEXT NOT NULL,
  at TEXT NOT NULL,
  settings TEXT NOT NULL,
  PRIMARY KEY (store, number)
) STRICT, WITHOUT ROWID;

CREATE TABLE jobs (
  id TEXT PRIMARY KEY,
  store TEXT NOT NULL REFERENCES stores (id) ON DELETE CASCADE,
  kind TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('waiting', 'running', 'done', 'failed', 'cancelled')),
  done INTEGER NOT NULL DEFAULT 0,
  total INTEGER NOT NULL DEFAULT 0,
  message TEXT NOT NULL DEFAULT '',
  problems TEXT NOT NULL DEFAULT '[]',
  problem_count INTEGER NOT NULL DEFAULT 0,
  result TEXT,
  created_at TEXT NOT NULL
) STRICT;

CREATE TABLE events (
  id INTEGER PRIMARY KEY,
  store TEXT NOT NULL REFERENCES stores (id) ON DELETE CASCADE,
  visit TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('search', 'click', 'basket', 'order')),
  search_id TEXT,
  query TEXT,
  product TEXT,
  position INTEGER,
  at TEXT NOT NULL
) STRICT;
CREATE INDEX events_by_store ON events (store, at);
