-- Harder doors: tries are counted before they are heard, links end with what they were made for, every day lies within a school's years, what two
-- tables say of one child agrees, and what was erased stays erased.

-- 1. Rows that break a rule that is new are listed, and nothing is changed, unless the launcher was told to mend them (upgrade --mend).
-- Under forced row security the owner sees the rows of one school at a time.
create function pg_temp.within_years(day timestamptz) returns boolean language sql immutable as
  $$ select day is null or (day >= '2000-01-01T00:00:00Z'::timestamptz and day < '2101-01-01T00:00:00Z'::timestamptz) $$;

do $$
declare
  mends constant boolean := coalesce(current_setting('umbick.mend', true), '') = 'on';
  known record;
  dated record;
  found bigint;
  told text := '';
begin
  for known in select id, name from school order by name loop
    perform set_config('umbick.school', known.id::text, true);
    for dated in
      select c.table_name, c.column_name, c.data_type from information_schema.columns c
      join information_schema.tables t on t.table_schema = c.table_schema and t.table_name = c.table_name and t.table_type = 'BASE TABLE'
      where c.table_schema = 'public' and c.data_type in ('date', 'timestamp with time zone')
        and exists (select from information_schema.columns s where s.table_schema = 'public' and s.table_name = c.table_name and s.column_name = 'school')
      order by c.table_name, c.ordinal_position
    loop
      execute format('select count(*) from %I where not pg_temp.within_years(%I)', dated.table_name, dated.column_name) into found;
      continue when found = 0;
      told := told || format(E'\n  %s: %s of “%s” with a day outside 2000 to 2100, in “%s”', known.name, found, dated.table_name, dated.column_name);
      if mends then
        execute format(
          'update %I set %I = case when %I < ''2000-01-01'' then ''2000-01-01''::date else ''2100-12-31''::date end where not pg_temp.within_years(%I)',
          dated.table_name, dated.column_name, dated.column_name, dated.column_name);
      end if;
    end loop;

    select count(*) into found from sitting join practice_set on practice_set.school = sitting.school and practice_set.id = sitting.practice_set where practice_set.child <> sitting.child;
    if found > 0 then
      told := told || format(E'\n  %s: %s of “sitting” with another child’s set', known.name, found);
      if mends then
        update sitting set practice_set = null from practice_set
          where practice_set.school = sitting.school and practice_set.id = sitting.practice_set and practice_set.child <> sitting.child;
      end if;
    end if;
    select count(*) into found from decision join sitting on sitting.school = decision.school and sitting.id = decision.after_sitting where sitting.child <> decision.child;
    if found > 0 then
      told := told || format(E'\n  %s: %s of “decision” after another child’s sitting', known.name, found);
      if mends then
        update decision set after_sitting = null from sitting
          where sitting.school = decision.school and sitting.id = decision.after_sitting and sitting.child <> decision.child;
      end if;
    end if;
  end loop;
  perform set_config('umbick.school', '', true);
  if told <> '' and not mends then
    raise exception 'These rows break a rule of this version. Nothing was changed; ./umbick upgrade --mend moves such days to the nearest one, and takes another child’s set or sitting off:%', told using errcode = 'check_violation';
  end if;
end $$;

-- 2. Every day that is kept lies within a school's years (SchoolYears in the code).
do $$
declare dated record;
begin
  for dated in
    select c.table_name, c.column_name from information_schema.columns c
    join information_schema.tables t on t.table_schema = c.table_schema and t.table_name = c.table_name and t.table_type = 'BASE TABLE'
    where c.table_schema = 'public' and c.data_type in ('date', 'timestamp with time zone')
  loop
    execute format(
      'alter table %I add constraint %I check (%I >= ''2000-01-01T00:00:00Z'' and %I < ''2101-01-01T00:00:00Z'')',
      dated.table_name, dated.table_name || '_' || dated.column_name || '_within_years', dated.column_name, dated.column_name);
  end loop;
end $$;

-- 3. Where two tables both name the child, they name the same.
alter table practice_set add unique (school, child, id);
alter table sitting add unique (school, child, id);
alter table sitting drop constraint sitting_school_practice_set_fkey, add foreign key (school, child, practice_set) references practice_set (school, child, id);
alter table decision drop constraint decision_school_after_sitting_fkey, add foreign key (school, child, after_sitting) references sitting (school, child, id);

-- Where a child came from whose record was taken in from a file: it is taken in once.
alter table child add column origin uuid;
create unique index child_by_origin on child (school, origin) where origin is not null;
grant insert (origin) on child to umbick_app;

-- 4. Tries at a door: each is counted before it is heard, and one that was right is taken away again.
create table door_try (
  id bigint generated always as identity primary key,
  door text not null check (door in ('password', 'second-step', 'child-code')),
  -- Hashes: of the user name or the mark that stands before a school's codes, and of the address.
  key bytea not null check (length(key) = 32),
  address bytea not null check (length(address) = 32),
  -- Whether the address is one where the school was today.
  at_home boolean not null,
  tried_at timestamptz not null default clock_timestamp()
);
create index door_try_by_key on door_try (door, key, tried_at);
create index door_try_by_time on door_try (tried_at);
drop table code_try cascade;

-- Addresses, hashed, at which somebody signed in or a child's code opened within a day.
create table home_address (
  school uuid not null references school,
  address bytea not null check (length(address) = 32),
  seen_at timestamptz not null default clock_timestamp(),
  primary key (school, address)
);

-- Wrong passwords are counted above.
alter table account drop column access_failed_count, drop column lockout_end,
  -- A code by time opens once: the latest step that opened.
  add column code_step bigint,
  -- Somebody else turned the second step off, and the person has not been told yet.
  add column second_step_off_at timestamptz,
  add column second_step_off_by text check (length(second_step_off_by) <= 80),
  -- How often it has changed what they are, and where: a link that was made for them before opens nothing.
  add column changes int not null default 0;
grant update (code_step, second_step_off_at, second_step_off_by, changes) on account to umbick_app;
alter table invitation add column changes int;

-- 5. What was erased: hashes of children's ids, so that a backup from before does not bring a record back. No alias stands here, and no table has the id.
create table erasure (
  school uuid not null references school,
  child_hash bytea not null check (length(child_hash) = 32),
  day date not null,
  primary key (school, child_hash)
);

-- Whether a backup was restored and counted, to see that it is one.
alter table backup_made add column checked_at timestamptz;

do $$
declare
  name text;
  dated record;
begin
  foreach name in array array['home_address', 'erasure'] loop
    execute format('alter table %I enable row level security', name);
    execute format('alter table %I force row level security', name);
    execute format('create policy of_school on %I using (school = current_school()) with check (school = current_school())', name);
    execute format('create policy of_owner on %I to umbick_owner using (true) with check (true)', name);
  end loop;
  for dated in
    select * from (values ('door_try', 'tried_at'), ('home_address', 'seen_at'), ('account', 'second_step_off_at'), ('erasure', 'day'), ('backup_made', 'checked_at')) as d (table_name, column_name)
  loop
    execute format(
      'alter table %I add constraint %I check (%I >= ''2000-01-01T00:00:00Z'' and %I < ''2101-01-01T00:00:00Z'')',
      dated.table_name, dated.table_name || '_' || dated.column_name || '_within_years', dated.column_name, dated.column_name);
  end loop;
end $$;
alter table door_try enable row level security;
alter table door_try force row level security;
create policy of_owner on door_try to umbick_owner using (true) with check (true);
grant insert, select on home_address to umbick_app;
grant select on erasure to umbick_app;
grant update (seen_at) on home_address to umbick_app;

-- Counts a try before it is heard: 'open' with its number, 'wait', or 'stopped' for the rest of the day. How many are heard stands here alone.
create function count_try(which text, wanted bytea, from_address bytea, home boolean) returns table (outcome text, try bigint, wrong_today bigint)
  language plpgsql volatile security definer set search_path = public, pg_temp as
$$
declare
  since constant timestamptz := clock_timestamp() - case which when 'child-code' then interval '10 minutes' else interval '2 minutes' end;
  most_here constant int := 8;
  most_of_a_school constant int := 60;
  most_strangers constant int := case which when 'child-code' then 60 else 50 end;
  most_a_day constant int := 20;
  today bigint;
  here bigint;
  at_the_school bigint;
  strangers bigint;
  made bigint;
begin
  -- One at a time for each key, so that many at once are counted as many.
  perform pg_advisory_xact_lock(hashtextextended('umbick.door.' || which || encode(wanted, 'hex'), 0));
  select count(*) into today from door_try where door = which and key = wanted and tried_at > clock_timestamp() - interval '1 day';
  if which = 'second-step' and today >= most_a_day then
    return query select 'stopped', null::bigint, today;
    return;
  end if;
  select count(*) filter (where address = from_address), count(*) filter (where at_home), count(*) filter (where not at_home)
    into here, at_the_school, strangers from door_try where door = which and key = wanted and tried_at > since;
  -- A whole school shares one address; a stranger's wrong ones are no burden to it.
  if (case when not home then here >= most_here or strangers >= most_strangers when which = 'child-code' then at_the_school >= most_of_a_school else here >= most_here end) then
    return query select 'wait', null::bigint, today;
    return;
  end if;
  insert into door_try (door, key, address, at_home) values (which, wanted, from_address, home) returning door_try.id into made;
  return query select 'open', made, today + 1;
end $$;
revoke all on function count_try(text, bytea, bytea, boolean) from public;

-- A try at a password, or at the second step, under a user name.
create function try_sign_in(which text, wanted text, from_address bytea) returns table (outcome text, try bigint, wrong_today bigint, at_home boolean)
  language plpgsql volatile security definer set search_path = public, pg_temp as
$$
declare
  home constant boolean := exists (
    select from account join person on person.id = account.id and person.left_at is null join home_address on home_address.school = person.school
    where account.normalized_user_name = wanted and home_address.address = from_address and home_address.seen_at > clock_timestamp() - interval '1 day');
begin
  if which not in ('password', 'second-step') then raise exception 'There is no such door.' using errcode = 'invalid_parameter_value'; end if;
  return query select counted.outcome, counted.try, counted.wrong_today, home from count_try(which, sha256(convert_to(wanted, 'UTF8')), from_address, home) counted;
end $$;

-- Takes a try away that was right.
create function forget_try(wanted bigint) returns void language sql volatile security definer set search_path = public, pg_temp as
  $$ delete from door_try where id = wanted $$;

-- Somebody was let in anew: what was tried under their name counts no more.
create function forget_tries(wanted text) returns void language sql volatile security definer set search_path = public, pg_temp as
  $$ delete from door_try where door in ('password', 'second-step') and key = sha256(convert_to(wanted, 'UTF8')) $$;

-- Until when the second step of a user name is stopped, after too many wrong codes within a day.
create function second_step_stopped(wanted text) returns timestamptz language sql stable security definer set search_path = public, pg_temp as
$$
  select min(tried_at) + interval '1 day' from (
    select tried_at from door_try where door = 'second-step' and key = sha256(convert_to(wanted, 'UTF8')) and tried_at > clock_timestamp() - interval '1 day' order by tried_at desc limit 20) latest
  having count(*) >= 20
$$;

-- At how many schools somebody works.
create function count_schools(wanted uuid) returns int language sql stable security definer set search_path = public, pg_temp as
  $$ select count(*)::int from person where id = wanted and left_at is null $$;

drop function open_code(text, bytea, uuid);

-- Opens a child's code: 'opened' once, else 'wrong' or, after too many wrong ones, 'wait'. Counted before it is looked for.
create function open_code(wanted_mark text, wanted_hash bytea, press uuid, from_address bytea)
  returns table (outcome text, opened_school uuid, opened_sitting uuid)
  language plpgsql volatile security definer set search_path = public, pg_temp as
$$
declare
  known_mark constant text := left(wanted_mark, 3);
  again constant interval := '1 minute';
  home boolean;
  counted record;
  found record;
begin
  home := exists (select from school join home_address on home_address.school = school.id
    where school.mark = known_mark and home_address.address = from_address and home_address.seen_at > clock_timestamp() - interval '1 day');
  select * into counted from count_try('child-code', sha256(convert_to(known_mark, 'UTF8')), from_address, home);
  if counted.outcome <> 'open' then
    return query select 'wait', null::uuid, null::uuid;
    return;
  end if;
  update device_code set used_at = coalesce(used_at, clock_timestamp()), used_by = press
    from school where school.mark = known_mark and device_code.school = school.id
      and device_code.hash = wanted_hash and (device_code.used_at is null or (device_code.used_by = press and device_code.used_at > clock_timestamp() - again)) and device_code.expires_at > clock_timestamp()
    returning device_code.school, device_code.sitting into found;
  if found.sitting is null then
    return query select 'wrong', null::uuid, null::uuid;
    return;
  end if;
  delete from door_try where id = counted.try;
  insert into home_address (school, address) values (found.school, from_address) on conflict (school, address) do update set seen_at = clock_timestamp();
  return query select 'opened', found.school, found.sitting;
end $$;

-- What has been over for a day is thrown away, and what was tried as soon as it counts no more.
create or replace function prune_doors() returns int
  language plpgsql volatile security definer set search_path = public, pg_temp as
$$
declare
  pruned int;
begin
  with
    sessions as (delete from session where coalesce(ended_at, ends_at) < clock_timestamp() - interval '1 day' returning 1),
    codes as (delete from device_code where expires_at < clock_timestamp() - interval '1 day' returning 1),
    tries as (delete from door_try where tried_at < clock_timestamp() - case door when 'second-step' then interval '1 day' else interval '10 minutes' end returning 1),
    homes as (delete from home_address where seen_at < clock_timestamp() - interval '1 day' returning 1),
    invitations as (delete from invitation where expires_at < clock_timestamp() - interval '1 day' returning 1),
    entries as (delete from audit_entry where at < clock_timestamp() - interval '1 year' returning 1)
  select (select count(*) from sessions) + (select count(*) from codes) + (select count(*) from tries) + (select count(*) from homes) + (select count(*) from invitations) + (select count(*) from entries) into pruned;
  return pruned;
end $$;

-- Erases a child of the school that is set, with everything that belongs to them, when their alias was typed; what stays is a hash of the id, and the day.
create or replace function erase_child(wanted uuid, typed text) returns boolean
  language plpgsql volatile security definer set search_path = public, pg_temp as
$$
declare
  here uuid := current_school();
  forms uuid[];
begin
  perform from child where school = here and id = wanted and alias = typed for update;
  if not found then return false; end if;
  delete from session where school = here and sitting in (select id from sitting where school = here and child = wanted);
  delete from device_code where school = here and sitting in (select id from sitting where school = here and child = wanted);
  delete from decision where school = here and child = wanted;
  delete from cycle where school = here and child = wanted;
  delete from absence where school = here and child = wanted;
  delete from stand_in where school = here and child = wanted;
  delete from slot_child where school = here and child = wanted;
  delete from marginal where school = here and sitting in (select id from sitting where school = here and child = wanted);
  delete from prompt where school = here and sitting in (select id from sitting where school = here and child = wanted);
  -- A correction names the answer that it puts right: all go in one statement.
  delete from answer where school = here and sitting in (select id from sitting where school = here and child = wanted);
  delete from asked_item where school = here and sitting in (select id from sitting where school = here and child = wanted);
  forms := array(select distinct screening from sitting where school = here and child = wanted and screening is not null);
  delete from sitting where school = here and child = wanted;
  -- A class's form that nobody else was asked says nothing any more.
  forms := array(select id from screening where school = here and id = any(forms) and not exists (select from sitting where sitting.school = here and sitting.screening = screening.id));
  delete from screening_item where school = here and screening = any(forms);
  delete from screening where school = here and id = any(forms);
  delete from set_item where school = here and practice_set in (select id from practice_set where school = here and child = wanted);
  delete from practice_set where school = here and child = wanted;
  delete from named_way where school = here and child = wanted;
  delete from demonstration_shown where school = here and child = wanted;
  delete from visit_note where school = here and child = wanted;
  delete from room_clock_reading where school = here and child = wanted;
  delete from visit_child where school = here and child = wanted;
  -- A visit to which nobody else came says nothing any more.
  delete from visit where school = here and not exists (select from visit_child where visit_child.school = here and visit_child.visit = visit.id);
  -- Who did what stays, without the child; what was filled in with it goes too.
  update audit_entry set child = null, detail = '' where school = here and child = wanted;
  delete from child where school = here and id = wanted;
  insert into erasure (school, child_hash, day) values (here, sha256(convert_to(wanted::text, 'UTF8')), current_date) on conflict do nothing;
  return true;
end $$;

revoke all on function try_sign_in(text, text, bytea), forget_try(bigint), forget_tries(text), second_step_stopped(text), count_schools(uuid), open_code(text, bytea, uuid, bytea) from public;
grant execute on function try_sign_in(text, text, bytea), forget_try(bigint), forget_tries(text), second_step_stopped(text), count_schools(uuid), open_code(text, bytea, uuid, bytea) to umbick_app;
