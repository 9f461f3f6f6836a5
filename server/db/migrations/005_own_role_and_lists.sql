-- Up Migration
-- The application's own role, which can add and read and nothing else; what lists show is kept by the
-- write that changes it; phones whose clock is far off are put in order by the server's.

CREATE EXTENSION IF NOT EXISTS pg_trgm;

DO $$ BEGIN
  IF NOT EXISTS (SELECT 1 FROM pg_roles WHERE rolname = 'yarrix_app') THEN
    CREATE ROLE yarrix_app NOLOGIN;
  END IF;
END $$;

-- Diagrams: the name that lists show, and whether a version came with the program or from the shop.
ALTER TABLE diagram ADD COLUMN name text;
UPDATE diagram SET name = body->>'name';
ALTER TABLE diagram ALTER COLUMN name SET NOT NULL;
ALTER TABLE diagram ADD COLUMN origin text NOT NULL DEFAULT 'shop'
  CHECK (origin IN ('built-in', 'shop'));
-- What an earlier program brought along was sent under an id made from the diagram's own.
UPDATE diagram SET origin = 'built-in' FROM (
  SELECT shop, id, version, encode(sha256(convert_to(id, 'UTF8')), 'hex') AS hash FROM diagram
) named
WHERE named.shop = diagram.shop AND named.id = diagram.id AND named.version = diagram.version
  AND diagram.sent_as = (substr(hash, 1, 8) || '-' || substr(hash, 9, 4) || '-4' || substr(hash, 14, 3)
    || '-8' || substr(hash, 18, 3) || '-' || substr(hash, 21, 12))::uuid;

-- Entries: when they were made by the server's clock, as far as it can tell.
ALTER TABLE entry ADD COLUMN at timestamptz;
ALTER TABLE entry DISABLE TRIGGER entry_append_only;
UPDATE entry SET at = least(phone_at, received_at);
ALTER TABLE entry ENABLE TRIGGER entry_append_only;
ALTER TABLE entry ALTER COLUMN at SET NOT NULL;
DROP INDEX entry_by_call;
DROP INDEX entry_diagram;
CREATE INDEX entry_by_call ON entry (shop, call, at, arrived);
CREATE TRIGGER entry_never_emptied BEFORE TRUNCATE ON entry
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();

-- Calls: what lists show of their log.
ALTER TABLE call
  ADD COLUMN at timestamptz,
  ADD COLUMN last_at timestamptz,
  ADD COLUMN readings integer NOT NULL DEFAULT 0,
  ADD COLUMN stage text NOT NULL DEFAULT 'open' CHECK (stage IN ('open', 'done')),
  ADD COLUMN stage_at timestamptz NOT NULL DEFAULT '-infinity',
  ADD COLUMN version_now integer,
  ADD COLUMN version_at timestamptz NOT NULL DEFAULT '-infinity';
UPDATE call SET
  at = least(call.phone_at, call.received_at),
  last_at = coalesce((SELECT max(entry.at) FROM entry
    WHERE entry.shop = call.shop AND entry.call = call.id), least(call.phone_at, call.received_at)),
  readings = (SELECT count(*) FROM entry
    WHERE entry.shop = call.shop AND entry.call = call.id AND kind = 'reading'),
  version_now = call.diagram_version;
UPDATE call SET stage = last.body->>'stage', stage_at = last.at FROM (
  SELECT DISTINCT ON (shop, call) shop, call, body, at FROM entry
  WHERE kind = 'stage' ORDER BY shop, call, at DESC, arrived DESC
) last WHERE last.shop = call.shop AND last.call = call.id;
UPDATE call SET version_now = (last.body->>'version')::integer, version_at = last.at FROM (
  SELECT DISTINCT ON (shop, call) shop, call, body, at FROM entry
  WHERE kind = 'diagram' ORDER BY shop, call, at DESC, arrived DESC
) last WHERE last.shop = call.shop AND last.call = call.id;
ALTER TABLE call
  ALTER COLUMN at SET NOT NULL,
  ALTER COLUMN last_at SET NOT NULL,
  ALTER COLUMN version_now SET NOT NULL;
DROP INDEX call_by_time;
-- In order of the hour and not of the moment: an entry that comes within the hour then changes no index,
-- and the row is rewritten in its own page, where there is room for it.
ALTER TABLE call ADD COLUMN last_hour timestamptz NOT NULL
  GENERATED ALWAYS AS (date_bin('1 hour', last_at, timestamptz '2000-01-01 00:00:00+00')) STORED;
ALTER TABLE call SET (fillfactor = 75);
CREATE INDEX call_by_hour ON call (shop, last_hour DESC);

-- What a call is found by. Apart from the call, which every entry changes: the index of words is dear.
CREATE TABLE call_words (
  shop text NOT NULL,
  call uuid NOT NULL,
  words text NOT NULL,
  PRIMARY KEY (shop, call),
  FOREIGN KEY (shop, call) REFERENCES call
);
INSERT INTO call_words (shop, call, words)
SELECT call.shop, call.id, lower(concat_ws(' ', appliance.make, appliance.model, appliance.place,
  appliance.customer, call.complaint, diagram.name))
FROM call
JOIN appliance ON appliance.shop = call.shop AND appliance.id = call.appliance
JOIN diagram ON diagram.shop = call.shop AND diagram.id = call.diagram
  AND diagram.version = call.diagram_version;
CREATE INDEX call_by_words ON call_words USING gin (words gin_trgm_ops);

-- An entry moves what lists show of its call, and opens a call again that was finished before it.
CREATE FUNCTION follow_entry() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER
SET search_path = public AS $$
DECLARE
  was record;
BEGIN
  UPDATE call SET
    last_at = greatest(last_at, NEW.at),
    readings = readings + (NEW.kind = 'reading')::integer,
    stage = CASE WHEN NEW.kind = 'stage' AND NEW.at >= stage_at THEN NEW.body->>'stage' ELSE stage END,
    stage_at = CASE WHEN NEW.kind = 'stage' THEN greatest(stage_at, NEW.at) ELSE stage_at END,
    version_now = CASE WHEN NEW.kind = 'diagram' AND NEW.at >= version_at
      THEN (NEW.body->>'version')::integer ELSE version_now END,
    version_at = CASE WHEN NEW.kind = 'diagram' THEN greatest(version_at, NEW.at) ELSE version_at END
  WHERE shop = NEW.shop AND id = NEW.call
  RETURNING stage, stage_at INTO was;
  IF NEW.kind <> 'stage' AND was.stage = 'done' AND NEW.at > was.stage_at THEN
    INSERT INTO entry (shop, id, call, kind, body, phone_at, at)
    VALUES (NEW.shop, gen_random_uuid(), NEW.call, 'stage', '{"stage": "open"}', NEW.phone_at,
      greatest(was.stage_at, NEW.at - interval '1 microsecond'));
  END IF;
  RETURN NULL;
END $$;
CREATE TRIGGER entry_followed AFTER INSERT ON entry
  FOR EACH ROW EXECUTE FUNCTION follow_entry();

-- One entry in one round trip, with the caller's own rights: a function, because its plans are made once
-- for each connection, where a statement of this length is planned anew each time.
CREATE FUNCTION add_entry(
  of_shop text, new_id uuid, of_call uuid, of_kind text, new_body jsonb, made timestamptz,
  skew_ms double precision, names uuid[], checked_version integer,
  OUT "diagramId" text, OUT version integer, OUT named integer, OUT added boolean,
  OUT "callId" uuid, OUT kind text, OUT body jsonb, OUT "phoneAt" timestamptz
) LANGUAGE plpgsql AS $$
BEGIN
  added := false;
  named := 0;
  SELECT call.diagram, call.version_now INTO "diagramId", version
  FROM call WHERE call.shop = of_shop AND call.id = of_call;
  IF cardinality(names) > 0 THEN
    SELECT count(*) INTO named FROM unnest(names) wanted (id)
    JOIN entry ON entry.shop = of_shop AND entry.id = wanted.id AND entry.call = of_call;
  END IF;
  IF version = checked_version AND named = cardinality(names) THEN
    INSERT INTO entry (shop, id, call, kind, body, phone_at, at)
    VALUES (of_shop, new_id, of_call, of_kind, new_body, made,
      least(made + skew_ms * interval '1 ms', now()))
    ON CONFLICT (shop, id) DO NOTHING;
    added := FOUND;
  END IF;
  IF NOT added THEN
    SELECT entry.call, entry.kind, entry.body, entry.phone_at INTO "callId", kind, body, "phoneAt"
    FROM entry WHERE entry.shop = of_shop AND entry.id = new_id;
  END IF;
END $$;

GRANT SELECT ON shop, diagram, appliance, call, call_words, entry TO yarrix_app;
GRANT INSERT ON diagram, appliance, call, call_words, entry TO yarrix_app;
