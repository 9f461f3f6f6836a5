-- Up Migration
-- What is checked before a unit is handed back, and what a call was put right by in the end; photos of a part, and drawn on.

ALTER TABLE entry DROP CONSTRAINT entry_kind_check;
ALTER TABLE entry ADD CONSTRAINT entry_kind_check CHECK (
  kind IN ('reading', 'doubt', 'acknowledged', 'stage', 'diagram', 'statement', 'look', 'measurement', 'act', 'sight', 'refusal',
    'correction', 'opened', 'closed', 'wire-map', 'cause', 'found', 'decision',
    'order', 'fit', 'checked', 'put-right')
);
-- What shops count by: few entries are of this kind.
CREATE INDEX entry_put_right ON entry (shop, call) WHERE kind = 'put-right';
-- A part, a terminal or the plate; and the photo that was drawn on.
ALTER TABLE photo ADD COLUMN shown_of text;
ALTER TABLE photo ADD COLUMN drawn_from uuid;

-- What a call was in the end is said of a call that is finished: it stays so.
CREATE FUNCTION opens_again(kind text) RETURNS boolean LANGUAGE sql IMMUTABLE AS $$
  SELECT kind NOT IN ('stage', 'put-right')
$$;
DO $$ BEGIN
  EXECUTE replace(pg_get_functiondef('follow_entries()'::regprocedure), 'added.kind <> ''stage''', 'opens_again(added.kind)');
END $$;

-- A call is found by what was found, beside what it is called; also by what was found first and is not so any more.
CREATE FUNCTION words_of_found(found jsonb) RETURNS text LANGUAGE sql IMMUTABLE AS $$
  SELECT ' ' || lower(concat_ws(' ', coalesce(found->>'name', found->>'part'), found->>'says'))
$$;
DO $$ BEGIN
  EXECUTE replace(pg_get_functiondef('correct_calls()'::regprocedure), '  IF NOT EXISTS (SELECT FROM added WHERE kind = ''correction'')',
    '  IF EXISTS (SELECT FROM added WHERE kind = ''found'') THEN
    UPDATE call_words SET words = words || (
      SELECT string_agg(words_of_found(added.body), '''') FROM added
      WHERE added.shop = call_words.shop AND added.call = call_words.call AND added.kind = ''found''
    )
    WHERE (shop, call) IN (SELECT added.shop, added.call FROM added WHERE kind = ''found'');
  END IF;
  IF NOT EXISTS (SELECT FROM added WHERE kind = ''correction'')');
END $$;
UPDATE call_words SET words = words || words_of_found(call.found)
FROM call WHERE call.shop = call_words.shop AND call.id = call_words.call AND call.found IS NOT NULL;
