-- Up Migration
-- A call is finished by somebody who knows all of its log: an entry that finishes it says how many lines it was checked against, and is
-- not stored where there are more by then.

-- Waits for whoever writes to some calls, and lets nobody else until the transaction ends. The application may lock nothing by itself.
CREATE FUNCTION hold_calls(of_shop text, ids uuid[]) RETURNS void
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
  IF of_shop IS DISTINCT FROM current_setting('yarrix.shop', true) THEN
    RAISE EXCEPTION 'this transaction is about another shop' USING ERRCODE = '42501';
  END IF;
  PERFORM FROM call WHERE shop = of_shop AND id = ANY(ids) ORDER BY id FOR NO KEY UPDATE;
END $$;
REVOKE ALL ON FUNCTION hold_calls FROM PUBLIC;
GRANT EXECUTE ON FUNCTION hold_calls TO yarrix_app;

CREATE OR REPLACE FUNCTION add_entries(of_shop text, entries jsonb)
RETURNS TABLE (
  "diagramId" text, version integer, named integer, added boolean,
  "callId" uuid, kind text, body jsonb, "phoneAt" timestamptz
) LANGUAGE plpgsql SET plan_cache_mode = force_generic_plan
SET enable_seqscan = off AS $$
#variable_conflict use_column
BEGIN
  PERFORM enter_shop(of_shop);
  -- Whoever writes to the call just now is waited for, so that the next statement sees what they wrote.
  IF entries @? '$[*].known' THEN
    PERFORM hold_calls(of_shop, ARRAY(
      SELECT (sent->>'call')::uuid FROM jsonb_array_elements(entries) sent WHERE sent ? 'known'
    ));
  END IF;
  RETURN QUERY
  WITH sent AS MATERIALIZED (
    SELECT sent.*, call.diagram_now, call.version_now, (
      SELECT count(*)::integer FROM unnest(sent.names) wanted (id)
      WHERE sent.call = (SELECT entry.call FROM entry WHERE entry.shop = of_shop AND entry.id = wanted.id)
    ) AS named
    FROM ROWS FROM (jsonb_to_recordset(entries) AS (id uuid, call uuid, kind text, body jsonb,
      made timestamptz, skew_ms double precision, names uuid[], checked_diagram text,
      checked_version integer, person uuid, known integer))
      WITH ORDINALITY AS sent (id, call, kind, body, made, skew_ms, names, checked_diagram, checked_version, person, known, place)
    LEFT JOIN LATERAL (
      SELECT diagram_now, version_now FROM call WHERE call.shop = of_shop AND call.id = sent.call LIMIT 1
    ) call ON true
  ), stored AS (
    INSERT INTO entry (shop, id, call, kind, body, phone_at, at, person)
    SELECT of_shop, id, call, kind, body, made, least(made + skew_ms * interval '1 ms', now()), person
    FROM sent WHERE diagram_now = checked_diagram AND version_now = checked_version AND named = cardinality(names)
      AND (known IS NULL OR known = (SELECT count(*) FROM entry WHERE shop = of_shop AND entry.call = sent.call))
    ORDER BY place
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
