-- Up Migration
-- What comes after the verdict: what was found and decided, what made it fail, and a ledger of what is to be put back.

ALTER TABLE entry DROP CONSTRAINT entry_kind_check;
ALTER TABLE entry ADD CONSTRAINT entry_kind_check CHECK (
  kind IN ('reading', 'doubt', 'acknowledged', 'stage', 'diagram', 'statement', 'look', 'measurement', 'act', 'sight', 'refusal',
    'correction', 'opened', 'closed', 'wire-map', 'cause', 'found', 'decision',
    'order', 'fit')
);
-- What a list shows of the verdict: the last that was found, by the clock of its entry.
ALTER TABLE call ADD COLUMN found jsonb;
-- What was seen of units like one: calls with a verdict alone.
CREATE INDEX call_found ON call (shop, diagram_now) WHERE found IS NOT NULL;

-- As it was, and what was found beside what was corrected.
CREATE OR REPLACE FUNCTION correct_calls() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER
SET search_path = public SET enable_seqscan = off AS $$
BEGIN
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
