-- A visit is more than its sittings: who came, what was reached, what each read off the room's own clock, how much help an answer took, and
-- what was noted. Cold start and practice of it are sittings like all others, which name their visit.

create table visit (
  school uuid not null,
  id uuid not null,
  pattern text not null,
  demonstration text,
  part text not null check (part in ('room', 'cold', 'model', 'practise', 'close')),
  place smallint not null default 1,
  started_by uuid not null,
  started_at timestamptz not null,
  ended_at timestamptz,
  primary key (school, id),
  foreign key (school) references school
);
create index visit_of_school on visit (school, started_at);

create table visit_child (
  school uuid not null,
  visit uuid not null,
  child uuid not null,
  turn smallint not null,
  -- A child who has to go earlier, or did not come.
  left_at timestamptz,
  primary key (school, visit, child),
  foreign key (school, visit) references visit (school, id),
  foreign key (school, child) references child (school, id)
);
create index visit_of_child on visit_child (school, child);

-- What a child read off the room's own clock on arrival. Nobody knows how exactly that clock goes, so it is no evidence of a pattern.
create table room_clock_reading (
  school uuid not null,
  id uuid not null,
  visit uuid not null,
  child uuid not null,
  clock_time text not null,
  raw text not null check (length(raw) <= 200),
  noted_by uuid not null,
  said_at timestamptz not null,
  primary key (school, id),
  foreign key (school, visit, child) references visit_child (school, visit, child)
);
create index room_clock_of_visit on room_clock_reading (school, visit);

create table visit_note (
  school uuid not null,
  visit uuid not null,
  child uuid not null,
  note text not null,
  noted_by uuid not null,
  noted_at timestamptz not null,
  primary key (school, visit, child, note),
  foreign key (school, visit, child) references visit_child (school, visit, child)
);

-- How much it took until an answer came right.
create table prompt (
  school uuid not null,
  sitting uuid not null,
  place smallint not null,
  rung text not null,
  noted_by uuid not null,
  noted_at timestamptz not null,
  primary key (school, sitting, place),
  foreign key (school, sitting, place) references asked_item (school, sitting, place)
);

-- What was noted as shown by mistake is taken back.
grant delete on demonstration_shown to umbick_app;

-- What the teacher's own clock carries beside its numerals, in a sitting that is held with it.
alter table sitting add column clock_carries text;
grant update (clock_carries) on sitting to umbick_app;
grant update (support) on asked_item to umbick_app;

do $$
declare name text;
begin
  foreach name in array array['visit', 'visit_child', 'room_clock_reading', 'visit_note', 'prompt'] loop
    execute format('alter table %I enable row level security', name);
    execute format('alter table %I force row level security', name);
    execute format('create policy of_school on %I using (school = current_school()) with check (school = current_school())', name);
    execute format('grant select, insert on %I to umbick_app', name);
  end loop;
end $$;
grant update (part, place, demonstration, ended_at) on visit to umbick_app;
grant update (left_at) on visit_child to umbick_app;
grant delete on visit_note, prompt to umbick_app;
grant update (rung, noted_by, noted_at) on prompt to umbick_app;
