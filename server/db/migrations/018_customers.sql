-- Up Migration
-- What a shop has of one customer: found, given to them, erased when they ask for it.

-- Calls of a customer by the name that stands at the unit, as it was entered or corrected.
CREATE FUNCTION calls_of_customer(of_shop text, of_name text) RETURNS SETOF uuid
LANGUAGE sql STABLE AS $$
  SELECT call.id FROM call JOIN appliance ON appliance.shop = call.shop AND appliance.id = call.appliance
  WHERE call.shop = of_shop
    AND lower(btrim(of_name)) IN (lower(btrim(appliance.customer)), lower(btrim(call.corrected->>'customer')))
$$;

-- Entries are still never changed, and deleted by nothing but the erasing of a customer.
CREATE OR REPLACE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'DELETE' AND current_setting('yarrix.erases', true) = OLD.shop THEN RETURN OLD; END IF;
  RAISE EXCEPTION 'entries are append-only: add one that names the other';
END $$;

-- Erases the calls of a customer with all that hangs on them. The application may delete nothing by itself.
CREATE FUNCTION erase_customer(of_shop text, of_name text) RETURNS integer
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE
  gone uuid[];
  units uuid[];
BEGIN
  IF of_shop IS DISTINCT FROM current_setting('yarrix.shop', true) THEN
    RAISE EXCEPTION 'this transaction is about another shop' USING ERRCODE = '42501';
  END IF;
  SELECT array_agg(id), array_agg(appliance) INTO gone, units FROM call
  WHERE shop = of_shop AND id IN (SELECT calls_of_customer(of_shop, of_name));
  IF gone IS NULL THEN RETURN 0; END IF;
  PERFORM set_config('yarrix.erases', of_shop, true);
  DELETE FROM report_link WHERE shop = of_shop AND call = ANY(gone);
  DELETE FROM photo WHERE shop = of_shop AND call = ANY(gone);
  DELETE FROM entry WHERE shop = of_shop AND call = ANY(gone);
  DELETE FROM call_words WHERE shop = of_shop AND call = ANY(gone);
  DELETE FROM call WHERE shop = of_shop AND id = ANY(gone);
  PERFORM set_config('yarrix.erases', '', true);
  -- A unit that has other calls, of somebody else, stays.
  DELETE FROM appliance WHERE shop = of_shop AND id = ANY(units)
    AND NOT EXISTS (SELECT FROM call WHERE call.shop = of_shop AND call.appliance = appliance.id);
  RETURN cardinality(gone);
END $$;
REVOKE ALL ON FUNCTION erase_customer FROM PUBLIC;
GRANT EXECUTE ON FUNCTION erase_customer, calls_of_customer TO yarrix_app;
