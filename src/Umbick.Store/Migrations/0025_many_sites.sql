-- Several sites on one database, and a database that moves: a commit whose reply was lost is asked about, and a file that was sent is seen
-- through any site.

-- What a transaction was that has written something. Whoever has lost the reply finds the mark, or puts it there and begins anew.
create table commit_mark (
  school uuid not null references school,
  id uuid not null,
  at timestamptz not null default clock_timestamp() constraint commit_mark_at_within_years check (at >= '2000-01-01' and at < '2101-01-01'),
  primary key (school, id)
);
create index commit_mark_by_time on commit_mark (at);

-- A file that was sent: read first, and taken in when that is wanted. Its content goes as soon as it is done with.
create table sent_file (
  school uuid not null references school,
  id uuid not null,
  person uuid not null,
  name text not null check (length(name) <= 260),
  sent_at timestamptz not null constraint sent_file_sent_at_within_years check (sent_at >= '2000-01-01' and sent_at < '2101-01-01'),
  content bytea,
  holds_answers boolean not null default true,
  lines integer not null default 0 check (lines >= 0),
  done integer not null default 0 check (done >= 0),
  running boolean not null default true,
  dry_run boolean not null default true,
  on_caseload boolean not null default false,
  report jsonb,
  worker uuid,
  worker_until timestamptz
    constraint sent_file_worker_until_within_years check (worker_until >= '2000-01-01' and worker_until < '2101-01-01'),
  primary key (school, id),
  foreign key (school, person) references person on delete cascade,
  check (content is not null or not running)
);
create index sent_file_of_person on sent_file (school, person);
create index sent_file_by_time on sent_file (sent_at);

do $$
declare name text;
begin
  foreach name in array array['commit_mark', 'sent_file'] loop
    execute format('alter table %I enable row level security', name);
    execute format('alter table %I force row level security', name);
    execute format('create policy of_school on %I using (school = current_school()) with check (school = current_school())', name);
  end loop;
end $$;
grant select, insert on commit_mark to umbick_app;
grant select, insert, delete on sent_file to umbick_app;
grant update (content, holds_answers, lines, done, running, dry_run, on_caseload, report, worker, worker_until) on sent_file to umbick_app;

create policy when_over on commit_mark to umbick_owner using (at < clock_timestamp() - interval '1 hour');
create policy when_over on sent_file to umbick_owner using (sent_at < clock_timestamp() - interval '1 hour');

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
    files as (delete from sent_file where sent_at < clock_timestamp() - interval '1 hour' returning 1),
    entries as (delete from audit_entry where at < clock_timestamp() - interval '1 year' returning 1)
  select (select count(*) from sessions) + (select count(*) from codes) + (select count(*) from tries) + (select count(*) from homes) + (select count(*) from invitations) + (select count(*) from files) + (select count(*) from entries) into pruned;
  delete from commit_mark where at < clock_timestamp() - interval '1 hour';
  return pruned;
end $$;

-- Which version the database is of: a site of another says so and takes nothing.
create function newest_migration() returns text
  language sql stable security definer set search_path = public, pg_temp as
  $$ select max(scriptname) from schemaversions $$;
revoke all on function newest_migration() from public;
grant execute on function newest_migration() to umbick_app;
