-- Up Migration
-- Entries are stored together: what many phones send at one time goes in one statement, and what lists
-- show of their calls is moved once for all of them.

-- What `follow_entry` did for each row, for all rows of a statement.
-- By their keys and no other way: a plan is kept for as long as the connection is, and the tables may have
-- been small when it was made.
CREATE FUNCTION follow_entries() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER
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
    version_at = greatest(call.version_at, news.version_at)
  FROM (
    SELECT added.shop, added.call, max(at) AS last_at,
      count(*) FILTER (WHERE kind = 'reading') AS readings,
      max(at) FILTER (WHERE kind = 'stage') AS stage_at,
      (array_agg(body->>'stage' ORDER BY at DESC, arrived DESC) FILTER (WHERE kind = 'stage'))[1] AS stage,
      max(at) FILTER (WHERE kind = 'diagram') AS version_at,
      (array_agg((body->>'version')::integer ORDER BY at DESC, arrived DESC)
        FILTER (WHERE kind = 'diagram'))[1] AS version
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
DROP TRIGGER entry_followed ON entry;
DROP FUNCTION follow_entry;
CREATE TRIGGER entries_followed AFTER INSERT ON entry REFERENCING NEW TABLE AS added
  FOR EACH STATEMENT EXECUTE FUNCTION follow_entries();

-- Entries of one shop in one round trip, with the caller's own rights; one row for each, in their order.
-- No two of them have one id, and none names another. A function, because its plans are made once for
-- each connection.
DROP FUNCTION add_entry;
CREATE FUNCTION add_entries(of_shop text, entries jsonb)
RETURNS TABLE (
  "diagramId" text, version integer, named integer, added boolean,
  "callId" uuid, kind text, body jsonb, "phoneAt" timestamptz
) LANGUAGE plpgsql SET plan_cache_mode = force_generic_plan
SET enable_seqscan = off AS $$
#variable_conflict use_column
BEGIN
  RETURN QUERY
  WITH sent AS MATERIALIZED (
    SELECT sent.*, call.diagram, call.version_now, (
      SELECT count(*)::integer FROM unnest(sent.names) wanted (id)
      WHERE sent.call = (SELECT entry.call FROM entry WHERE entry.shop = of_shop AND entry.id = wanted.id)
    ) AS named
    FROM ROWS FROM (jsonb_to_recordset(entries) AS (id uuid, call uuid, kind text, body jsonb,
      made timestamptz, skew_ms double precision, names uuid[], checked_version integer))
      WITH ORDINALITY AS sent (id, call, kind, body, made, skew_ms, names, checked_version, place)
    LEFT JOIN LATERAL (
      SELECT diagram, version_now FROM call WHERE call.shop = of_shop AND call.id = sent.call LIMIT 1
    ) call ON true
  ), stored AS (
    INSERT INTO entry (shop, id, call, kind, body, phone_at, at)
    SELECT of_shop, id, call, kind, body, made, least(made + skew_ms * interval '1 ms', now())
    FROM sent WHERE version_now = checked_version AND named = cardinality(names) ORDER BY place
    ON CONFLICT (shop, id) DO NOTHING
    RETURNING entry.id
  )
  SELECT sent.diagram, sent.version_now, sent.named, stored.id IS NOT NULL,
    was.call, was.kind, was.body, was.phone_at
  FROM sent LEFT JOIN stored ON stored.id = sent.id
  LEFT JOIN LATERAL (
    SELECT call, kind, body, phone_at FROM entry
    WHERE stored.id IS NULL AND entry.shop = of_shop AND entry.id = sent.id LIMIT 1
  ) was ON true
  ORDER BY sent.place;
END $$;
