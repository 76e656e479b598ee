-- The key by which pages elsewhere ask for what is live, and the pages that may; see routes/embedding.ts.
CREATE TABLE public_keys (
  store TEXT PRIMARY KEY REFERENCES stores (id) ON DELETE CASCADE,
  key TEXT NOT NULL UNIQUE,
  -- A JSON array of origins such as "https://shop.example".
  origins TEXT NOT NULL
) STRICT;
