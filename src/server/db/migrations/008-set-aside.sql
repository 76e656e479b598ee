-- Searches that fail and that nobody means to repair, with the reason; they keep being counted.
CREATE TABLE set_aside (
  store TEXT NOT NULL REFERENCES stores (id) ON DELETE CASCADE,
  text TEXT NOT NULL,
  reason TEXT NOT NULL,
  by TEXT NOT NULL,
  at TEXT NOT NULL,
  PRIMARY KEY (store, text)
) STRICT, WITHOUT ROWID;
