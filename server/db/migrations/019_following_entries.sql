-- Up Migration
-- What follows an entry in its call, in one look at what was added instead of five, and no more than it needs: two entries of
-- three are a reading or an answer, which moves the call in the list and nothing else. And what another phone did before a call was finished, and
-- sends after, opens it again: a jumper of a colleague who had no signal.

-- What may take something off, open or bridge it, or make that undone. What is merely seen, said or ordered does not.
CREATE FUNCTION may_disturb(kind text) RETURNS boolean LANGUAGE sql IMMUTABLE AS $$
  SELECT kind IN ('opened', 'acknowledged', 'reading', 'act', 'fit', 'doubt')
$$;

CREATE OR REPLACE FUNCTION follow_entries() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER
SET search_path = public SET enable_seqscan = off AS $$
DECLARE
  rows integer;
  moves boolean;
  says boolean;
  finished boolean;
BEGIN
  SELECT count(*), bool_or(kind IN ('stage', 'diagram', 'correction')), bool_or(kind IN ('found', 'doubt', 'correction'))
  INTO rows, moves, says FROM added;
  -- It is called for a statement that has added nothing as well.
  IF rows = 0 THEN RETURN NULL; END IF;
  -- Calls in one order for everybody, so that no two statements wait for each other.
  IF rows > 1 THEN
    PERFORM FROM call WHERE (shop, id) IN (SELECT added.shop, added.call FROM added)
    ORDER BY shop, id FOR NO KEY UPDATE;
  END IF;
  -- All that nearly every entry changes.
  WITH moved AS (UPDATE call SET
    last_at = greatest(call.last_at, news.last_at),
    readings = call.readings + news.readings
  FROM (
    SELECT added.shop, added.call, max(at) AS last_at, count(*) FILTER (WHERE kind = 'reading') AS readings
    FROM added GROUP BY added.shop, added.call
  ) news
  WHERE call.shop = news.shop AND call.id = news.call
  RETURNING call.stage)
  SELECT bool_or(stage = 'done') INTO finished FROM moved;
  IF moves THEN
    WITH moved AS (UPDATE call SET
      stage = CASE WHEN news.stage_at >= call.stage_at THEN news.stage ELSE call.stage END,
      stage_at = greatest(call.stage_at, news.stage_at),
      version_now = CASE WHEN news.version_at >= call.version_at THEN news.version ELSE call.version_now END,
      diagram_now = CASE WHEN news.version_at >= call.version_at THEN coalesce(news.diagram, call.diagram)
        ELSE call.diagram_now END,
      version_at = greatest(call.version_at, news.version_at)
    FROM (
      SELECT added.shop, added.call,
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
  END IF;
  IF finished THEN
    INSERT INTO entry (shop, id, call, kind, body, phone_at, at)
    SELECT DISTINCT ON (added.call) added.shop, gen_random_uuid(), added.call, 'stage',
      '{"stage": "open"}', added.phone_at, greatest(call.stage_at, added.at - interval '1 microsecond')
    FROM added JOIN call ON call.shop = added.shop AND call.id = added.call
    -- Also what was done before the call was finished and comes to be known after it: who finished it did not know.
    WHERE opens_again(added.kind) AND call.stage = 'done' AND (added.at > call.stage_at OR may_disturb(added.kind))
    ORDER BY added.call, added.at;
  END IF;
  IF NOT says THEN RETURN NULL; END IF;
  -- A verdict that was taken back is none, unless that was taken back as well.
  IF EXISTS (SELECT FROM added WHERE kind IN ('found', 'doubt')) THEN
    UPDATE call SET found = (
      SELECT said.body FROM entry said
      WHERE said.shop = call.shop AND said.call = call.id AND said.kind = 'found'
        AND NOT EXISTS (
          SELECT FROM entry back WHERE back.shop = call.shop AND back.call = call.id AND back.kind = 'doubt'
            AND back.body->>'names' = said.id::text
            AND NOT EXISTS (SELECT FROM entry again WHERE again.shop = call.shop AND again.call = call.id
              AND again.kind = 'doubt' AND again.body->>'names' = back.id::text))
      ORDER BY said.at DESC, said.arrived DESC LIMIT 1
    )
    WHERE (shop, id) IN (SELECT added.shop, added.call FROM added WHERE kind IN ('found', 'doubt'));
  END IF;
  IF EXISTS (SELECT FROM added WHERE kind = 'found') THEN
    UPDATE call_words SET words = words || (
      SELECT string_agg(words_of_found(added.body), '') FROM added
      WHERE added.shop = call_words.shop AND added.call = call_words.call AND added.kind = 'found'
    )
    WHERE (shop, call) IN (SELECT added.shop, added.call FROM added WHERE kind = 'found');
  END IF;
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
DROP TRIGGER calls_corrected ON entry;
DROP FUNCTION correct_calls;
