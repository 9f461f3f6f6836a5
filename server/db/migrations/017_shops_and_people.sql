-- Up Migration
-- Walls between shops: every row is seen and written in transactions of its own shop alone. People, how they
-- come in, what they did at the door, and links that go out of the house.

CREATE TABLE person (
  shop text NOT NULL REFERENCES shop,
  id uuid NOT NULL,
  name text NOT NULL,
  -- Folded to small letters; one account in one shop for one address.
  email text NOT NULL CHECK (email = lower(email)),
  role text NOT NULL CHECK (role IN ('lead', 'technician')),
  -- argon2id in PHC form; none for an account that nobody signs in to with a password.
  password text,
  since timestamptz NOT NULL DEFAULT now(),
  left_at timestamptz,
  PRIMARY KEY (shop, id)
);
CREATE UNIQUE INDEX person_by_email ON person (email) WHERE left_at IS NULL;

-- A link that lets somebody in: to a new account, or to a new password of theirs. What is in the link is
-- kept as its hash alone.
CREATE TABLE invitation (
  shop text NOT NULL REFERENCES shop,
  token bytea NOT NULL,
  id uuid NOT NULL,
  role text NOT NULL CHECK (role IN ('lead', 'technician')),
  -- Who gets a new password by it; none for somebody new.
  person uuid,
  made_by uuid NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  expires_at timestamptz NOT NULL,
  used_at timestamptz,
  withdrawn_at timestamptz,
  PRIMARY KEY (shop, token),
  UNIQUE (shop, id),
  FOREIGN KEY (shop, person) REFERENCES person,
  FOREIGN KEY (shop, made_by) REFERENCES person
);

CREATE TABLE session (
  shop text NOT NULL,
  token bytea NOT NULL,
  person uuid NOT NULL,
  cookie jsonb NOT NULL,
  began_at timestamptz NOT NULL DEFAULT now(),
  expires_at timestamptz NOT NULL,
  PRIMARY KEY (shop, token),
  FOREIGN KEY (shop, person) REFERENCES person
);
CREATE INDEX session_by_person ON session (shop, person);

-- What happened at the door and what leads did: added to, read, and nothing else.
CREATE TABLE audit (
  shop text NOT NULL REFERENCES shop,
  id uuid NOT NULL DEFAULT gen_random_uuid(),
  at timestamptz NOT NULL DEFAULT clock_timestamp(),
  person uuid,
  what text NOT NULL,
  about text,
  address text,
  PRIMARY KEY (shop, id)
);
CREATE INDEX audit_by_time ON audit (shop, at DESC);
CREATE FUNCTION refuse_change_of_audit() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'the record of the door is append-only';
END $$;
CREATE TRIGGER audit_append_only BEFORE UPDATE OR DELETE ON audit
  FOR EACH ROW EXECUTE FUNCTION refuse_change_of_audit();
CREATE TRIGGER audit_never_emptied BEFORE TRUNCATE ON audit
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_change_of_audit();

-- A report for who has its link, until then or until it is withdrawn.
CREATE TABLE report_link (
  shop text NOT NULL,
  token bytea NOT NULL,
  id uuid NOT NULL,
  call uuid NOT NULL,
  zone text NOT NULL,
  currency text NOT NULL,
  made_by uuid NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  expires_at timestamptz NOT NULL,
  withdrawn_at timestamptz,
  opened integer NOT NULL DEFAULT 0,
  last_opened_at timestamptz,
  PRIMARY KEY (shop, token),
  UNIQUE (shop, id),
  FOREIGN KEY (shop, call) REFERENCES call,
  FOREIGN KEY (shop, made_by) REFERENCES person
);
CREATE INDEX report_link_by_call ON report_link (shop, call);

-- Who entered what; none for what was entered before there were people, or by the server itself.
ALTER TABLE entry ADD COLUMN person uuid;

-- Which built-in library a shop has, so that only one that has another is looked through at a start.
ALTER TABLE shop ADD COLUMN library text;
ALTER TABLE shop ADD CONSTRAINT shop_is_plain CHECK (shop ~ '^[A-Za-z0-9-]{1,64}$');

GRANT INSERT ON shop TO yarrix_app;
GRANT UPDATE (name, library) ON shop TO yarrix_app;
GRANT SELECT, INSERT ON person, invitation, session, audit, report_link TO yarrix_app;
GRANT UPDATE (name, role, password, left_at) ON person TO yarrix_app;
GRANT UPDATE (used_at, withdrawn_at) ON invitation TO yarrix_app;
GRANT DELETE ON session TO yarrix_app;
GRANT UPDATE (withdrawn_at, opened, last_opened_at) ON report_link TO yarrix_app;

-- The wall. Forced, so that it holds for the owner of the tables too, unless that is a superuser.
DO $$
DECLARE
  walled text;
BEGIN
  FOREACH walled IN ARRAY ARRAY['shop', 'diagram', 'diagram_withdrawal', 'model_sheet', 'appliance',
    'call', 'call_words', 'entry', 'meter', 'photo', 'person', 'invitation', 'session', 'audit',
    'report_link'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', walled);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', walled);
    EXECUTE format('CREATE POLICY of_its_shop ON %I
      USING (shop = current_setting(''yarrix.shop'', true))
      WITH CHECK (shop = current_setting(''yarrix.shop'', true))', walled);
  END LOOP;
END $$;

-- Sets the shop of a transaction for functions that are a whole transaction of their own; a transaction
-- that has one already keeps it.
CREATE FUNCTION enter_shop(of_shop text) RETURNS void LANGUAGE plpgsql AS $$
BEGIN
  IF coalesce(current_setting('yarrix.shop', true), '') NOT IN ('', of_shop) THEN
    RAISE EXCEPTION 'this transaction is about another shop' USING ERRCODE = '42501';
  END IF;
  PERFORM set_config('yarrix.shop', of_shop, true);
END $$;

-- A search goes through here, because under a wall the index of words may not be asked; the wall is in the function. The
-- same order and the same page as the list, planned anew by its words.
CREATE FUNCTION calls_by_words(
  of_shop text, patterns text[], of_stage text, before timestamptz, before_id uuid, most integer
) RETURNS SETOF uuid
LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public SET plan_cache_mode = force_custom_plan AS $$
BEGIN
  -- Words first: a plan that hopes to find enough of them on the way through the calls may not.
  RETURN QUERY WITH found AS MATERIALIZED (
    SELECT call_words.call FROM call_words
    WHERE shop = of_shop AND of_shop = current_setting('yarrix.shop', true) AND words LIKE ALL(patterns)
  )
  SELECT call.id FROM found JOIN call ON call.shop = of_shop AND call.id = found.call
  WHERE (of_stage IS NULL OR call.stage = of_stage)
    AND (before IS NULL OR (call.last_at, call.id) < (before, before_id) AND call.last_hour <= before)
  ORDER BY call.last_hour DESC, call.last_at DESC, call.id DESC LIMIT most;
END $$;

-- Who signs in with an address: asked before there is a shop, so it tells this one account and nothing else.
CREATE FUNCTION account_at_door(of_email text)
RETURNS TABLE (shop text, person uuid, password text)
LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
  SELECT shop, id, password FROM person WHERE email = of_email AND left_at IS NULL
$$;

-- Whose a session is, in one round trip.
CREATE FUNCTION session_at_door(of_shop text, of_token bytea)
RETURNS TABLE (person uuid, name text, email text, role text, "shopName" text, cookie jsonb)
LANGUAGE plpgsql AS $$
#variable_conflict use_column
BEGIN
  PERFORM enter_shop(of_shop);
  RETURN QUERY SELECT person.id, person.name, person.email, person.role, shop.name, session.cookie
  FROM session
  JOIN person ON person.shop = session.shop AND person.id = session.person AND person.left_at IS NULL
  JOIN shop ON shop.shop = session.shop
  WHERE session.shop = of_shop AND session.token = of_token AND session.expires_at > now();
END $$;

-- Tries at the door, by a hash of who tries what. No shop's, and seen by nobody but this function.
CREATE TABLE knock (
  key bytea PRIMARY KEY,
  times integer NOT NULL,
  last_at timestamptz NOT NULL
);
CREATE INDEX knock_by_time ON knock (last_at);
ALTER TABLE knock ENABLE ROW LEVEL SECURITY;
ALTER TABLE knock FORCE ROW LEVEL SECURITY;

-- Counts a try, and says how many seconds to wait before one is let through; 0 for now. The first few are
-- free, then the wait doubles up to a quarter of an hour; after an hour of quiet all is forgotten.
CREATE FUNCTION wait_at_door(of_key bytea, free integer) RETURNS integer
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE
  was record;
  tries integer;
  wait integer := 0;
BEGIN
  DELETE FROM knock WHERE key IN (
    SELECT key FROM knock WHERE last_at < now() - interval '1 hour' AND key <> of_key
    LIMIT 10 FOR UPDATE SKIP LOCKED);
  INSERT INTO knock (key, times, last_at) VALUES (of_key, 0, clock_timestamp())
  ON CONFLICT (key) DO NOTHING;
  SELECT times, last_at INTO was FROM knock WHERE key = of_key FOR UPDATE;
  tries := CASE WHEN was.last_at < clock_timestamp() - interval '1 hour' THEN 0 ELSE was.times END;
  IF tries >= free THEN
    wait := greatest(0, ceil(least(900, 2 ^ least(tries - free, 10))
      - extract(epoch FROM clock_timestamp() - was.last_at))::integer);
  END IF;
  IF wait = 0 THEN
    UPDATE knock SET times = tries + 1, last_at = clock_timestamp() WHERE key = of_key;
  END IF;
  RETURN wait;
END $$;

-- Who got in was not guessing: this try is taken back, or all of them. Of an address one at a time: an account of one's own
-- does not make up for guesses at others.
CREATE FUNCTION let_in(of_key bytea, forgets_all boolean) RETURNS void
LANGUAGE sql SECURITY DEFINER SET search_path = public AS $$
  UPDATE knock SET times = CASE WHEN forgets_all THEN 0 ELSE greatest(times - 1, 0) END WHERE key = of_key
$$;
REVOKE ALL ON FUNCTION calls_by_words, account_at_door, wait_at_door, let_in FROM PUBLIC;
GRANT EXECUTE ON FUNCTION calls_by_words, account_at_door, wait_at_door, let_in TO yarrix_app;

-- Entries name who made them, and the function is a transaction of its shop by itself.
CREATE OR REPLACE FUNCTION add_entries(of_shop text, entries jsonb)
RETURNS TABLE (
  "diagramId" text, version integer, named integer, added boolean,
  "callId" uuid, kind text, body jsonb, "phoneAt" timestamptz
) LANGUAGE plpgsql SET plan_cache_mode = force_generic_plan
SET enable_seqscan = off AS $$
#variable_conflict use_column
BEGIN
  PERFORM enter_shop(of_shop);
  RETURN QUERY
  WITH sent AS MATERIALIZED (
    SELECT sent.*, call.diagram_now, call.version_now, (
      SELECT count(*)::integer FROM unnest(sent.names) wanted (id)
      WHERE sent.call = (SELECT entry.call FROM entry WHERE entry.shop = of_shop AND entry.id = wanted.id)
    ) AS named
    FROM ROWS FROM (jsonb_to_recordset(entries) AS (id uuid, call uuid, kind text, body jsonb,
      made timestamptz, skew_ms double precision, names uuid[], checked_diagram text,
      checked_version integer, person uuid))
      WITH ORDINALITY AS sent (id, call, kind, body, made, skew_ms, names, checked_diagram, checked_version, person, place)
    LEFT JOIN LATERAL (
      SELECT diagram_now, version_now FROM call WHERE call.shop = of_shop AND call.id = sent.call LIMIT 1
    ) call ON true
  ), stored AS (
    INSERT INTO entry (shop, id, call, kind, body, phone_at, at, person)
    SELECT of_shop, id, call, kind, body, made, least(made + skew_ms * interval '1 ms', now()), person
    FROM sent WHERE diagram_now = checked_diagram AND version_now = checked_version AND named = cardinality(names) ORDER BY place
    ON CONFLICT (shop, id) DO NOTHING
    RETURNING entry.id
  )
  SELECT sent.diagram_now, sent.version_now, sent.named, stored.id IS NOT NULL,
    was.call, was.kind, was.body, was.phone_at
  FROM sent LEFT JOIN stored ON stored.id = sent.id
  LEFT JOIN LATERAL (
    SELECT call, kind, body, phone_at FROM entry
    WHERE stored.id IS NULL AND entry.shop = of_shop AND entry.id = sent.id LIMIT 1
  ) was ON true
  ORDER BY sent.place;
END $$;
