-- Up Migration
-- A call goes on with another diagram where it was begun with the wrong one: said by a later entry, like all that is put right.
-- What it was begun with stays, so that a call that is sent again is the same.

ALTER TABLE call ADD COLUMN diagram_now text;
UPDATE call SET diagram_now = diagram;
ALTER TABLE call ALTER COLUMN diagram_now SET NOT NULL;

-- Whether an entry changes what a call is worked with: its diagram, or the version of it.
CREATE FUNCTION changes_diagram(kind text, body jsonb) RETURNS boolean LANGUAGE sql IMMUTABLE AS $$
  SELECT kind = 'diagram' OR (kind = 'correction' AND body ? 'diagramId')
$$;

CREATE OR REPLACE FUNCTION follow_entries() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER
SET search_path = public SET enable_seqscan = off AS $$
DECLARE
  rows integer;
  finished boolean;
BEGIN
  SELECT count(*) INTO rows FROM added;
  -- It is called for a statement that has added nothing as well.
  IF rows = 0 THEN RETURN NULL; END IF;
  -- Calls in one order for everybody, so that no two statements wait for each other.
  IF rows > 1 THEN
    PERFORM FROM call WHERE (shop, id) IN (SELECT added.shop, added.call FROM added)
    ORDER BY shop, id FOR NO KEY UPDATE;
  END IF;
  WITH moved AS (UPDATE call SET
    last_at = greatest(call.last_at, news.last_at),
    readings = call.readings + news.readings,
    stage = CASE WHEN news.stage_at >= call.stage_at THEN news.stage ELSE call.stage END,
    stage_at = greatest(call.stage_at, news.stage_at),
    version_now = CASE WHEN news.version_at >= call.version_at THEN news.version ELSE call.version_now END,
    diagram_now = CASE WHEN news.version_at >= call.version_at THEN coalesce(news.diagram, call.diagram)
      ELSE call.diagram_now END,
    version_at = greatest(call.version_at, news.version_at)
  FROM (
    SELECT added.shop, added.call, max(at) AS last_at,
      count(*) FILTER (WHERE kind = 'reading') AS readings,
      max(at) FILTER (WHERE kind = 'stage') AS stage_at,
      (array_agg(body->>'stage' ORDER BY at DESC, arrived DESC) FILTER (WHERE kind = 'stage'))[1] AS stage,
      max(at) FILTER (WHERE changes_diagram(kind, body)) AS version_at,
      (array_agg((coalesce(body->>'version', body->>'diagramVersion'))::integer ORDER BY at DESC, arrived DESC)
        FILTER (WHERE changes_diagram(kind, body)))[1] AS version,
      (array_agg(coalesce(body->>'diagram', body->>'diagramId') ORDER BY at DESC, arrived DESC)
        FILTER (WHERE changes_diagram(kind, body)))[1] AS diagram
    FROM added GROUP BY added.shop, added.call
  ) news
  WHERE call.shop = news.shop AND call.id = news.call
  RETURNING call.stage)
  SELECT bool_or(stage = 'done') INTO finished FROM moved;
  IF NOT finished THEN RETURN NULL; END IF;
  INSERT INTO entry (shop, id, call, kind, body, phone_at, at)
  SELECT DISTINCT ON (added.call) added.shop, gen_random_uuid(), added.call, 'stage',
    '{"stage": "open"}', added.phone_at, greatest(call.stage_at, added.at - interval '1 microsecond')
  FROM added JOIN call ON call.shop = added.shop AND call.id = added.call
  WHERE added.kind <> 'stage' AND call.stage = 'done' AND added.at > call.stage_at
  ORDER BY added.call, added.at;
  RETURN NULL;
END $$;

CREATE OR REPLACE FUNCTION correct_calls() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER
SET search_path = public SET enable_seqscan = off AS $$
BEGIN
  IF NOT EXISTS (SELECT FROM added WHERE kind = 'correction') THEN RETURN NULL; END IF;
  UPDATE call SET corrected = (
    SELECT jsonb_object_agg(said.key, said.value ORDER BY entry.at, entry.arrived)
    FROM entry, jsonb_each(entry.body) said
    WHERE entry.shop = call.shop AND entry.call = call.id AND entry.kind = 'correction'
  )
  WHERE (shop, id) IN (SELECT added.shop, added.call FROM added WHERE kind = 'correction');
  -- It is found by what it was called before as well.
  UPDATE call_words SET words = words || ' ' || (
    SELECT string_agg(lower(said.value #>> '{}'), ' ')
    FROM added, jsonb_each(added.body) said
    WHERE added.shop = call_words.shop AND added.call = call_words.call AND added.kind = 'correction'
  ) || ' ' || coalesce((
    SELECT string_agg(lower(diagram.name), ' ') FROM added JOIN diagram ON diagram.shop = added.shop
      AND diagram.id = added.body->>'diagramId' AND diagram.version = (added.body->>'diagramVersion')::integer
    WHERE added.shop = call_words.shop AND added.call = call_words.call AND added.kind = 'correction'
  ), '')
  WHERE (shop, call) IN (SELECT added.shop, added.call FROM added WHERE kind = 'correction');
  RETURN NULL;
END $$;

-- As it was, but that an entry is checked against a diagram as well as against its version.
CREATE OR REPLACE FUNCTION add_entries(of_shop text, entries jsonb)
RETURNS TABLE (
  "diagramId" text, version integer, named integer, added boolean,
  "callId" uuid, kind text, body jsonb, "phoneAt" timestamptz
) LANGUAGE plpgsql SET plan_cache_mode = force_generic_plan
SET enable_seqscan = off AS $$
#variable_conflict use_column
BEGIN
  RETURN QUERY
  WITH sent AS MATERIALIZED (
    SELECT sent.*, call.diagram_now, call.version_now, (
      SELECT count(*)::integer FROM unnest(sent.names) wanted (id)
      WHERE sent.call = (SELECT entry.call FROM entry WHERE entry.shop = of_shop AND entry.id = wanted.id)
    ) AS named
    FROM ROWS FROM (jsonb_to_recordset(entries) AS (id uuid, call uuid, kind text, body jsonb,
      made timestamptz, skew_ms double precision, names uuid[], checked_diagram text,
      checked_version integer))
      WITH ORDINALITY AS sent (id, call, kind, body, made, skew_ms, names, checked_diagram, checked_version, place)
    LEFT JOIN LATERAL (
      SELECT diagram_now, version_now FROM call WHERE call.shop = of_shop AND call.id = sent.call LIMIT 1
    ) call ON true
  ), stored AS (
    INSERT INTO entry (shop, id, call, kind, body, phone_at, at)
    SELECT of_shop, id, call, kind, body, made, least(made + skew_ms * interval '1 ms', now())
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
