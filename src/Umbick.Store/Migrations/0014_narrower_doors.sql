-- Doors, narrower: a code's limits stand here and not with who asks, one press opens one time however often it is sent,
-- what is over is thrown away, and what has been answered stays asked.

-- Which press of which form opened it: the same press sent again, within a minute, opens the same again.
alter table device_code add column used_by uuid;

drop function open_code(text, bytea, int, interval);

-- Opens a code: 'opened' once, else 'wrong' or, after too many wrong ones under the same mark, 'wait'.
create function open_code(wanted_mark text, wanted_hash bytea, press uuid)
  returns table (outcome text, opened_school uuid, opened_sitting uuid)
  language plpgsql volatile security definer set search_path = public, pg_temp as
$$
declare
  known_mark text := left(wanted_mark, 3);
  most_wrong constant int := 60;
  within constant interval := '10 minutes';
  again constant interval := '1 minute';
  found record;
begin
  -- One at a time for each mark, so that many processes trying at once are counted as many.
  perform pg_advisory_xact_lock(hashtext('umbick.code.' || known_mark));
  if (select count(*) from code_try where mark = known_mark and tried_at > clock_timestamp() - within) >= most_wrong then
    return query select 'wait', null::uuid, null::uuid;
    return;
  end if;
  update device_code set used_at = coalesce(used_at, clock_timestamp()), used_by = press
    from school where school.mark = known_mark and device_code.school = school.id
      and device_code.hash = wanted_hash and (device_code.used_at is null or (device_code.used_by = press and device_code.used_at > clock_timestamp() - again)) and device_code.expires_at > clock_timestamp()
    returning device_code.school, device_code.sitting into found;
  if found.sitting is null then
    insert into code_try (mark, tried_at) values (known_mark, clock_timestamp());
    return query select 'wrong', null::uuid, null::uuid;
    return;
  end if;
  return query select 'opened', found.school, found.sitting;
end $$;

-- Throws away what has been over for a day: sessions, codes, and wrong tries at them.
create policy when_over on session to umbick_owner using (coalesce(ended_at, ends_at) < clock_timestamp() - interval '1 day');

create function prune_doors() returns int
  language plpgsql volatile security definer set search_path = public, pg_temp as
$$
declare
  pruned int;
begin
  with
    sessions as (delete from session where coalesce(ended_at, ends_at) < clock_timestamp() - interval '1 day' returning 1),
    codes as (delete from device_code where expires_at < clock_timestamp() - interval '1 day' returning 1),
    tries as (delete from code_try where tried_at < clock_timestamp() - interval '1 day' returning 1)
  select (select count(*) from sessions) + (select count(*) from codes) + (select count(*) from tries) into pruned;
  return pruned;
end $$;

revoke all on function open_code(text, bytea, uuid), prune_doors() from public;
grant execute on function open_code(text, bytea, uuid), prune_doors() to umbick_app;

-- An item that has an answer stays asked, whatever a page or a query gets wrong.
create function answered_stays_asked() returns trigger language plpgsql set search_path = public, pg_temp as
$$
begin
  if exists (select from answer where answer.school = new.school and answer.sitting = new.sitting and answer.place = new.place) then
    raise exception 'An item that has an answer cannot be withdrawn.' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
create trigger answered_stays_asked before update of withdrawn on asked_item
  for each row when (new.withdrawn and not old.withdrawn) execute function answered_stays_asked();
