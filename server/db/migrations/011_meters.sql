-- Up Migration
-- The shop's own meters: a small list to choose from. One that is gone is kept, as calls were read with it.

CREATE TABLE meter (
  shop text NOT NULL REFERENCES shop,
  id uuid NOT NULL,
  name text NOT NULL,
  kind text NOT NULL,
  lead_ohms double precision NOT NULL CHECK (lead_ohms >= 0),
  gone boolean NOT NULL DEFAULT false,
  PRIMARY KEY (shop, id)
);
GRANT SELECT, INSERT, UPDATE ON meter TO yarrix_app;
