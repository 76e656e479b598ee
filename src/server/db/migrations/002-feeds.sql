-- What is remembered of a store's feeds for the next import: how each column was read, and how options are found.
CREATE TABLE feed_memory (
  store TEXT PRIMARY KEY REFERENCES stores (id) ON DELETE CASCADE,
  memory TEXT NOT NULL
) STRICT;

CREATE INDEX jobs_by_store ON jobs (store, created_at);
