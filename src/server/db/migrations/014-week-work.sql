-- What became of a piece of this week's work: see WorkState in src/contract/demand.ts.
CREATE TABLE week_work (
  store TEXT NOT NULL REFERENCES stores (id) ON DELETE CASCADE,
  item TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('open', 'taken', 'later', 'ignored')),
  -- A day, of what is to come back.
  until TEXT,
  person TEXT NOT NULL,
  note TEXT NOT NULL,
  by TEXT NOT NULL,
  at TEXT NOT NULL,
  PRIMARY KEY (store, item)
) STRICT, WITHOUT ROWID;
