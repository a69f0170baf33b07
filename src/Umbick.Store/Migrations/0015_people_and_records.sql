-- A school of its own: accounts that may work at several schools, roles, invitations, who did what, how long a record is kept,
-- and a child's record that can be erased whole.

-- Who signs in. At which schools, and as what, stands in person: its id is the account's.
create table account (
  id uuid primary key,
  user_name text not null check (length(user_name) between 1 and 256),
  normalized_user_name text not null unique,
  password_hash text,
  security_stamp text not null,
  access_failed_count int not null default 0,
  lockout_end timestamptz,
  two_factor boolean not null default false,
  -- Wrapped by the site's keys; a backup alone makes no codes of it.
  authenticator_key text,
  recovery_codes text not null default ''
);

insert into account (id, user_name, normalized_user_name, password_hash, security_stamp, access_failed_count, lockout_end)
  select id, user_name, normalized_user_name, password_hash, security_stamp, access_failed_count, lockout_end from person;

drop function find_person(text);
alter table person
  drop column user_name, drop column normalized_user_name, drop column password_hash, drop column security_stamp, drop column access_failed_count, drop column lockout_end,
  add column role text not null default 'teacher' check (role in ('teacher', 'assistant')),
  add column in_charge boolean not null default false,
  -- Somebody who no longer works here: what they did keeps their name.
  add column left_at timestamptz,
  add foreign key (id) references account,
  add check (role = 'teacher' or not in_charge),
  add check (length(display_name) between 1 and 80);
create index person_of_account on person (id);

-- Until now there was no such right, and one person a school.
do $$
declare known uuid;
begin
  for known in select id from school loop
    perform set_config('umbick.school', known::text, true);
    update person set in_charge = true;
  end loop;
  perform set_config('umbick.school', '', true);
end $$;

alter table account enable row level security;
alter table account force row level security;
-- An account is seen at the schools where it works.
create policy of_its_schools on account to umbick_app
  using (exists (select from person where person.id = account.id)) with check (exists (select from person where person.id = account.id));
create policy made on account for insert to umbick_app with check (true);
create policy of_owner on account to umbick_owner using (true) with check (true);
grant select, insert on account to umbick_app;
grant update (password_hash, security_stamp, access_failed_count, lockout_end, two_factor, authenticator_key, recovery_codes) on account to umbick_app;
grant insert on person to umbick_app;
grant update (display_name, role, in_charge, left_at) on person to umbick_app;

-- At which schools somebody with this name works.
create function find_person(wanted text) returns table (school uuid, id uuid)
  language sql stable security definer set search_path = public, pg_temp as
  $$ select person.school, person.id from account join person on person.id = account.id where account.normalized_user_name = wanted and person.left_at is null order by person.school $$;

-- A link that is handed over once: to somebody new, or to somebody who cannot get in. Only its hash is kept.
create table invitation (
  school uuid not null references school,
  id uuid not null,
  -- Whom it lets in again; null where somebody new is invited.
  person uuid,
  display_name text not null check (length(display_name) between 1 and 80),
  role text not null check (role in ('teacher', 'assistant')),
  in_charge boolean not null default false,
  hash bytea not null unique,
  made_by uuid,
  made_at timestamptz not null,
  expires_at timestamptz not null,
  used_at timestamptz,
  primary key (school, id),
  foreign key (school, person) references person (school, id) on delete cascade,
  check (role = 'teacher' or not in_charge)
);
create index invitation_of_person on invitation (school, person);
create policy before_school on invitation for select to umbick_owner using (true);

create function find_invitation(wanted bytea) returns table (school uuid, id uuid)
  language sql stable security definer set search_path = public, pg_temp as
  $$ select invitation.school, invitation.id from invitation where invitation.hash = wanted and used_at is null and expires_at > clock_timestamp() $$;

-- Who did what. Nothing that a child answered stands here; of an erased child neither alias nor id stays.
create table audit_entry (
  school uuid not null references school,
  id bigint generated always as identity,
  at timestamptz not null,
  -- Null where it was done on the server itself, or by somebody who was not let in.
  person uuid,
  what text not null,
  child uuid,
  -- Whom it concerned: a colleague.
  whom uuid,
  detail text not null default '' check (length(detail) <= 200),
  primary key (school, id)
);
create index audit_by_time on audit_entry (school, at desc, id desc);
create index audit_of_child on audit_entry (school, child) where child is not null;
create policy when_old on audit_entry to umbick_owner using (at < clock_timestamp() - interval '1 year');

-- When a backup was made, of all schools here: shown to those in charge.
create table backup_made (
  made_at timestamptz not null,
  file_name text not null,
  bytes bigint not null
);
alter table backup_made enable row level security;
alter table backup_made force row level security;
create policy of_owner on backup_made to umbick_owner using (true) with check (true);
create policy seen on backup_made for select to umbick_app using (true);
grant select on backup_made to umbick_app;

alter table child add column keep_until date;
create index child_kept_until on child (school, keep_until) where keep_until is not null;
grant update (keep_until) on child to umbick_app;
-- The year's end moves many children on at once, each under the name of a new class.
create index child_of_class on child (school, class_name);

do $$
declare name text;
begin
  foreach name in array array['invitation', 'audit_entry'] loop
    execute format('alter table %I enable row level security', name);
    execute format('alter table %I force row level security', name);
    execute format('create policy of_school on %I using (school = current_school()) with check (school = current_school())', name);
    execute format('grant select, insert on %I to umbick_app', name);
  end loop;
end $$;
grant update (used_at, expires_at) on invitation to umbick_app;

-- Erases a child of the school that is set, with everything that belongs to them, when their alias was typed.
create function erase_child(wanted uuid, typed text) returns boolean
  language plpgsql volatile security definer set search_path = public, pg_temp as
$$
declare
  here uuid := current_school();
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
  delete from sitting where school = here and child = wanted;
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
  return true;
end $$;

-- What has been over for a day is thrown away, invitations too; who did what after a year.
create policy when_over on invitation to umbick_owner using (expires_at < clock_timestamp() - interval '1 day');

create or replace function prune_doors() returns int
  language plpgsql volatile security definer set search_path = public, pg_temp as
$$
declare
  pruned int;
begin
  with
    sessions as (delete from session where coalesce(ended_at, ends_at) < clock_timestamp() - interval '1 day' returning 1),
    codes as (delete from device_code where expires_at < clock_timestamp() - interval '1 day' returning 1),
    tries as (delete from code_try where tried_at < clock_timestamp() - interval '1 day' returning 1),
    invitations as (delete from invitation where expires_at < clock_timestamp() - interval '1 day' returning 1),
    entries as (delete from audit_entry where at < clock_timestamp() - interval '1 year' returning 1)
  select (select count(*) from sessions) + (select count(*) from codes) + (select count(*) from tries) + (select count(*) from invitations) + (select count(*) from entries) into pruned;
  return pruned;
end $$;

revoke all on function find_person(text), find_invitation(bytea), erase_child(uuid, text) from public;
grant execute on function find_person(text), find_invitation(bytea), erase_child(uuid, text) to umbick_app;
