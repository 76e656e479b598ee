-- How often a search of the shop's own list was offered under the search box, and taken.
CREATE TABLE offers (
  store TEXT NOT NULL REFERENCES stores (id) ON DELETE CASCADE,
  own TEXT NOT NULL,
  shown INTEGER NOT NULL,
  taken INTEGER NOT NULL,
  last_at TEXT,
  PRIMARY KEY (store, own)
) STRICT, WITHOUT ROWID;
