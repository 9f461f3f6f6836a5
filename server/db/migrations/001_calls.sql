-- Up Migration
-- Every key starts with the shop. Entries are only ever added: no update, no delete.

CREATE TABLE shop (
  shop text PRIMARY KEY,
  name text NOT NULL
);

CREATE TABLE diagram (
  shop text NOT NULL REFERENCES shop,
  id text NOT NULL,
  version integer NOT NULL CHECK (version > 0),
  -- The id that the sender gave this version, so that sending it twice stores it once.
  sent_as uuid NOT NULL,
  body jsonb NOT NULL,
  received_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop, id, version),
  UNIQUE (shop, sent_as)
);

CREATE TABLE appliance (
  shop text NOT NULL REFERENCES shop,
  id uuid NOT NULL,
  make text NOT NULL,
  model text NOT NULL,
  place text NOT NULL,
  customer text,
  PRIMARY KEY (shop, id)
);

CREATE TABLE call (
  shop text NOT NULL REFERENCES shop,
  id uuid NOT NULL,
  appliance uuid NOT NULL,
  diagram text NOT NULL,
  diagram_version integer NOT NULL,
  complaint text NOT NULL,
  phone_at timestamptz NOT NULL,
  received_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop, id),
  FOREIGN KEY (shop, appliance) REFERENCES appliance,
  FOREIGN KEY (shop, diagram, diagram_version) REFERENCES diagram
);
CREATE INDEX call_by_time ON call (shop, phone_at DESC);

CREATE TABLE entry (
  shop text NOT NULL,
  id uuid NOT NULL,
  call uuid NOT NULL,
  kind text NOT NULL CHECK (kind IN ('reading', 'doubt', 'acknowledged', 'stage', 'diagram')),
  body jsonb NOT NULL,
  phone_at timestamptz NOT NULL,
  received_at timestamptz NOT NULL DEFAULT now(),
  -- The order in which entries arrived, for entries with the same phone time.
  arrived bigint GENERATED ALWAYS AS IDENTITY,
  PRIMARY KEY (shop, id),
  FOREIGN KEY (shop, call) REFERENCES call
);
CREATE INDEX entry_by_call ON entry (shop, call, phone_at, arrived);

CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'entries are append-only: add one that names the other';
END $$;
CREATE TRIGGER entry_append_only BEFORE UPDATE OR DELETE ON entry
  FOR EACH ROW EXECUTE FUNCTION refuse_change();
