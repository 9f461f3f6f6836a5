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
