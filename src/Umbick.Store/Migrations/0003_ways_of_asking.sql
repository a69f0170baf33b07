-- Ways of asking: what is asked in a sitting and how, how each answer was given, codes for a second device, groups,
-- classes that are screened, and what a school and a child's teacher have settled.

alter table school add column settings jsonb not null default '{}',
  -- Stands before each of the school's codes.
  add column mark text unique check (mark ~ '^[A-Z]{3}$');

create function new_mark() returns text language plpgsql volatile security definer set search_path = public, pg_temp as
$$
declare
  letters constant text := 'BCDFGHJKLMNPQRSTVWXZ';
  made text;
begin
  loop
    select string_agg(substr(letters, 1 + floor(random() * 20)::int, 1), '') into made from generate_series(1, 3);
    exit when not exists (select from school where school.mark = made);
  end loop;
  return made;
end $$;
revoke all on function new_mark() from public;
create policy before_code on school for select to umbick_owner using (true);

do $$
declare known uuid;
begin
  for known in select id from school where mark is null loop
    perform set_config('umbick.school', known::text, true);
    update school set mark = new_mark() where id = known;
  end loop;
end $$;
alter table school alter column mark set default new_mark(), alter column mark set not null;

alter table child add column settings jsonb not null default '{}',
  -- The tasks the child has met, where their teacher has said; null: those of their stage.
  add column met text[],
  -- A child of a screened class is on the list of the school, and joins the caseload when their teacher takes them in.
  add column on_caseload boolean not null default true;

create table screening (
  school uuid not null,
  id uuid not null,
  title text not null check (length(title) between 1 and 120),
  stage smallint not null check (stage between 1 and 12),
  length smallint not null,
  form text not null,
  seed int not null,
  started_at timestamptz not null,
  primary key (school, id),
  foreign key (school) references school
);
create index screening_of_school on screening (school, started_at);

alter table sitting
  add column plan text not null default 'adaptive' check (plan in ('adaptive', 'form', 'ground', 'chosen')),
  add column way text not null default 'conversation' check (way in ('conversation', 'own-clock', 'screen')),
  add column visit uuid,
  add column turn smallint not null default 0,
  add column screening uuid,
  add foreign key (school, screening) references screening;
create index sitting_of_visit on sitting (school, visit) where visit is not null;
create index sitting_of_screening on sitting (school, screening) where screening is not null;

-- What an item has beside its task and its time: choices, clocks, a move, a question of its own.
alter table asked add column detail jsonb;

alter table answer
  add column first_raw text check (length(first_raw) <= 200),
  add column prompted boolean not null default false,
  add column how text check (length(how) <= 40),
  -- From the question's being shown to the first touch or key of the answer.
  add column begun_seconds real;

-- A code opens one sitting on one device, once. Only its hash is kept.
create table device_code (
  school uuid not null,
  sitting uuid not null,
  hash bytea not null,
  expires_at timestamptz not null,
  used_at timestamptz,
  primary key (school, hash),
  foreign key (school, sitting) references sitting
);
create index device_code_of_sitting on device_code (school, sitting);

-- Wrong codes, counted by the mark that stands before each code: a whole school shares one address.
create table code_try (
  mark text not null,
  tried_at timestamptz not null
);
create index code_try_of_mark on code_try (mark, tried_at);

do $$
declare name text;
begin
  foreach name in array array['screening', 'device_code'] loop
    execute format('alter table %I enable row level security', name);
    execute format('alter table %I force row level security', name);
    execute format('create policy of_school on %I using (school = current_school()) with check (school = current_school())', name);
  end loop;
end $$;
alter table code_try enable row level security;
alter table code_try force row level security;
create policy of_owner on code_try to umbick_owner using (true) with check (true);

-- Opening a code happens before the school is known. These bind only the owner's own function.
create policy before_code on device_code to umbick_owner using (true) with check (true);
grant select, insert on screening, device_code to umbick_app;
grant update (settings) on school to umbick_app;
grant update (settings, met, on_caseload) on child to umbick_app;
grant update (way, length) on sitting to umbick_app;
grant update (expires_at) on device_code to umbick_app;

-- Opens a code: 'opened' once, else 'wrong' or, after too many wrong ones under the same mark, 'wait'.
create function open_code(wanted_mark text, wanted_hash bytea, most_wrong int, within interval)
  returns table (outcome text, opened_school uuid, opened_sitting uuid)
  language plpgsql volatile security definer set search_path = public, pg_temp as
$$
declare
  known_mark text := left(wanted_mark, 3);
  found record;
begin
  -- One at a time for each mark, so that many processes trying at once are counted as many.
  perform pg_advisory_xact_lock(hashtext('umbick.code.' || known_mark));
  delete from code_try where mark = known_mark and tried_at < clock_timestamp() - within;
  if (select count(*) from code_try where mark = known_mark) >= most_wrong then
    return query select 'wait', null::uuid, null::uuid;
    return;
  end if;
  update device_code set used_at = clock_timestamp()
    from school where school.mark = known_mark and device_code.school = school.id
      and device_code.hash = wanted_hash and device_code.used_at is null and device_code.expires_at > clock_timestamp()
    returning device_code.school, device_code.sitting into found;
  if found.sitting is null then
    insert into code_try (mark, tried_at) values (known_mark, clock_timestamp());
    return query select 'wrong', null::uuid, null::uuid;
    return;
  end if;
  return query select 'opened', found.school, found.sitting;
end $$;
revoke all on function open_code(text, bytea, int, interval) from public;
grant execute on function open_code(text, bytea, int, interval) to umbick_app;
