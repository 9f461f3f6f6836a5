-- Up Migration
-- What was written down of a unit and is wrong is corrected by a later entry; what was said first stays as it was.

ALTER TABLE entry DROP CONSTRAINT entry_kind_check;
ALTER TABLE entry ADD CONSTRAINT entry_kind_check CHECK (
  kind IN ('reading', 'doubt', 'acknowledged', 'stage', 'diagram', 'statement', 'look', 'measurement', 'act', 'sight', 'refusal',
    'correction')
);
ALTER TABLE call ADD COLUMN corrected jsonb NOT NULL DEFAULT '{}';

-- All corrections of a call in the order of their clocks, so that it ends alike whichever comes first.
CREATE FUNCTION correct_calls() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER
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
  )
  WHERE (shop, call) IN (SELECT added.shop, added.call FROM added WHERE kind = 'correction');
  RETURN NULL;
END $$;
CREATE TRIGGER calls_corrected AFTER INSERT ON entry REFERENCING NEW TABLE AS added
  FOR EACH STATEMENT EXECUTE FUNCTION correct_calls();
