-- Up Migration
-- The built-in diagrams are kept once for all shops: a shop has of each a line that names it, and not the whole of it again. What
-- a shop has is read through the view `diagram` as it was.

-- Nobody's in particular: everybody may read it, and only who owns the tables brings it along.
CREATE TABLE built_in (
  -- Made of the content, so that one that changes is another one.
  id uuid PRIMARY KEY,
  body jsonb NOT NULL
);
ALTER TABLE built_in ENABLE ROW LEVEL SECURITY;
ALTER TABLE built_in FORCE ROW LEVEL SECURITY;
CREATE POLICY for_everybody ON built_in USING (true) WITH CHECK (true);
GRANT SELECT ON built_in TO yarrix_app;

ALTER TABLE diagram RENAME TO kept_diagram;
ALTER TABLE kept_diagram ADD COLUMN built_in uuid REFERENCES built_in;
ALTER TABLE kept_diagram ALTER COLUMN body DROP NOT NULL;

INSERT INTO built_in (id, body)
SELECT DISTINCT ON (sent_as) sent_as, body FROM kept_diagram WHERE origin = 'built-in' ORDER BY sent_as;
UPDATE kept_diagram SET body = NULL, built_in = sent_as
FROM built_in WHERE kept_diagram.origin = 'built-in' AND built_in.id = sent_as AND built_in.body = kept_diagram.body;

ALTER TABLE kept_diagram ADD CONSTRAINT one_body CHECK (num_nonnulls(body, built_in) = 1);

CREATE VIEW diagram WITH (security_invoker = true) AS
SELECT shop, kept_diagram.id, version, sent_as, name, origin, received_at, built_in, coalesce(kept_diagram.body, built_in.body) AS body
FROM kept_diagram LEFT JOIN built_in ON built_in.id = kept_diagram.built_in;
GRANT SELECT ON diagram TO yarrix_app;
