-- Up Migration
-- Photos of a call: added and never changed, like its log; scaled and stripped of where they were taken before they come.

CREATE TABLE photo (
  shop text NOT NULL REFERENCES shop,
  id uuid NOT NULL,
  call uuid NOT NULL,
  shows text NOT NULL,
  jpeg bytea NOT NULL,
  phone_at timestamptz NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop, id),
  FOREIGN KEY (shop, call) REFERENCES call (shop, id)
);
CREATE INDEX photo_by_call ON photo (shop, call, phone_at, id);
GRANT SELECT, INSERT ON photo TO yarrix_app;
