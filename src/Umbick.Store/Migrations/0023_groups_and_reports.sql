-- Groups for a term, whose slot it is, a calendar's private address, and reports as they were offered and sent.

-- Who sees a slot's children; null where that is not said. Whoever has left stays named.
alter table slot add column teacher uuid, add column by_hand boolean not null default false,
  add foreign key (school, teacher) references person;
create index slot_of_teacher on slot (school, teacher);
comment on column slot.by_hand is 'Whether somebody filled it, or keeps it free: then no plan changes it.';
-- Under forced row security the owner sees the rows of one school at a time.
do $$
declare known uuid;
begin
  for known in select id from school loop
    perform set_config('umbick.school', known::text, true);
    update slot set by_hand = true
      where exists (select from slot_child where slot_child.school = slot.school and slot_child.slot = slot.id);
  end loop;
  perform set_config('umbick.school', '', true);
end $$;
grant update (teacher, by_hand) on slot to umbick_app;

-- How long a child is to be seen in a week; null: as what they need asks for.
alter table child add column minutes_a_week smallint check (minutes_a_week between 0 and 60);
grant update (minutes_a_week) on child to umbick_app;

-- Two children who are not to be in one group, without a reason. Each pair stands both ways, so that neither child's record names the other.
create table keep_apart (
  school uuid not null references school,
  child uuid not null,
  other uuid not null check (other <> child),
  noted_by uuid not null,
  noted_at timestamptz not null
    constraint keep_apart_noted_at_within_years check (noted_at >= '2000-01-01' and noted_at < '2101-01-01'),
  primary key (school, child, other),
  foreign key (school, child) references child on delete cascade,
  foreign key (school, other) references child on delete cascade
);
create index keep_apart_of_other on keep_apart (school, other);

-- When groups were kept, and by whom. Who is in them stands in the slots.
create table groups_kept (
  school uuid not null references school,
  kept_at timestamptz not null
    constraint groups_kept_kept_at_within_years check (kept_at >= '2000-01-01' and kept_at < '2101-01-01'),
  kept_by uuid not null,
  primary key (school, kept_at)
);

-- The private address of a person's calendar: 256 bits, of which the hash is kept. A person has one at most.
create table calendar_address (
  school uuid not null references school,
  person uuid not null,
  hash bytea not null unique check (length(hash) = 32),
  made_at timestamptz not null
    constraint calendar_address_made_at_within_years check (made_at >= '2000-01-01' and made_at < '2101-01-01'),
  primary key (school, person),
  foreign key (school, person) references person on delete cascade
);
create policy before_school on calendar_address for select to umbick_owner using (true);

-- Whose calendar an address is: of a teacher who works there still.
create function find_calendar(wanted bytea) returns table (school uuid, person uuid)
  language sql stable security definer set search_path = public, pg_temp as
  $$ select calendar_address.school, calendar_address.person from calendar_address
     join person on person.school = calendar_address.school and person.id = calendar_address.person
     where calendar_address.hash = wanted and person.left_at is null and person.role = 'teacher' $$;
revoke all on function find_calendar(bytea) from public;
grant execute on function find_calendar(bytea) to umbick_app;

-- A report of a child: each of its lines as it was offered, with what it rests on, and as it was sent.
create table report (
  school uuid not null references school,
  id uuid not null,
  child uuid not null,
  kind text not null check (kind in ('class-teacher', 'lead', 'family')),
  made_by uuid not null,
  made_on date not null
    constraint report_made_on_within_years check (made_on >= '2000-01-01' and made_on < '2101-01-01'),
  made_at timestamptz not null
    constraint report_made_at_within_years check (made_at >= '2000-01-01' and made_at < '2101-01-01'),
  engine text not null,
  offered jsonb not null check (length(offered::text) <= 65536),
  sent jsonb not null check (length(sent::text) <= 65536),
  primary key (school, id),
  foreign key (school, child) references child on delete cascade
);
create index report_of_child on report (school, child, made_at);

do $$
declare name text;
begin
  foreach name in array array['keep_apart', 'groups_kept', 'calendar_address', 'report'] loop
    execute format('alter table %I enable row level security', name);
    execute format('alter table %I force row level security', name);
    execute format('create policy of_school on %I using (school = current_school()) with check (school = current_school())', name);
    execute format('grant select, insert on %I to umbick_app', name);
  end loop;
end $$;
grant delete on keep_apart, calendar_address to umbick_app;
grant update (hash, made_at) on calendar_address to umbick_app;
