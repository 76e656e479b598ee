-- The product on whose page a click was made, among those that stand beside it.
ALTER TABLE events ADD COLUMN beside TEXT;
