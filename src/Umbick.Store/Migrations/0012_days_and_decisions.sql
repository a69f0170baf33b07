-- What a term's work is planned and judged by: the timetable, who cannot come, what was decided and why, cycles with their check forms.

-- The class that a child is fetched from; empty where it is not known.
alter table child add column class_name text not null default '' check (length(class_name) <= 60);
grant update (class_name) on child to umbick_app;

-- What a class says and works on now, as its teacher told it.
create table class_teaching (
  school uuid not null references school,
  class_name text not null check (length(class_name) between 1 and 60),
  wording text not null default '' check (length(wording) <= 300),
  topic text not null default '' check (length(topic) <= 300),
  -- The id of a rule of thumb that it uses.
  rule_of_thumb text,
  told_at timestamptz not null,
  primary key (school, class_name)
);

create table holiday (
  school uuid not null references school,
  id uuid not null,
  name text not null check (length(name) between 1 and 60),
  first_day date not null,
  last_day date not null,
  primary key (school, id),
  check (last_day >= first_day and last_day - first_day < 120)
);

-- A place in the week, fixed for the term. One without children is kept free for whatever is due.
create table slot (
  school uuid not null references school,
  id uuid not null,
  weekday smallint not null check (weekday between 1 and 5),
  starts_at time not null,
  minutes smallint not null check (minutes between 5 and 60),
  primary key (school, id)
);
create table slot_child (
  school uuid not null,
  slot uuid not null,
  child uuid not null,
  turn smallint not null,
  primary key (school, slot, child),
  foreign key (school, slot) references slot on delete cascade,
  foreign key (school, child) references child
);
create index slot_of_child on slot_child (school, child);

create table barred_time (
  school uuid not null references school,
  id uuid not null,
  class_name text not null check (length(class_name) between 1 and 60),
  weekday smallint not null check (weekday between 1 and 5),
  starts_at time not null,
  ends_at time not null check (ends_at > starts_at),
  what text not null default '' check (length(what) <= 60),
  primary key (school, id)
);

-- A child who was not there, or whom the class did not let go.
create table absence (
  school uuid not null,
  child uuid not null,
  day date not null,
  -- Whether the child was not there; else the class did not let them go.
  absent boolean not null,
  noted_by uuid not null,
  noted_at timestamptz not null,
  primary key (school, child, day),
  foreign key (school, child) references child
);

create table stand_in (
  school uuid not null,
  slot uuid not null,
  day date not null,
  child uuid not null,
  noted_by uuid not null,
  noted_at timestamptz not null,
  primary key (school, slot, day, child),
  foreign key (school, slot) references slot on delete cascade,
  foreign key (school, child) references child
);
create index stand_in_of_child on stand_in (school, child);

-- What a teacher decided of a pattern, with what was shown then. A decision is never changed; it can be taken back.
create table decision (
  school uuid not null,
  id uuid not null,
  child uuid not null,
  pattern text not null,
  kind text not null check (kind in ('change-approach', 'finish-pattern', 'back-to-practice', 'confirm', 'rule-out')),
  -- Whether what was offered was taken; else it was turned down.
  taken boolean not null,
  reason text not null default '' check (length(reason) <= 300),
  -- The sitting after which it was said: the latest cold start, or, for a word on a pattern, the latest sitting.
  after_sitting uuid,
  decided_by uuid not null,
  decided_at timestamptz not null,
  engine text not null,
  shown jsonb not null,
  taken_back_by uuid,
  taken_back_at timestamptz,
  seq bigint generated always as identity,
  primary key (school, id),
  foreign key (school, child) references child,
  foreign key (school, after_sitting) references sitting
);
create index decision_of_child on decision (school, child, seq);
create index decision_after_sitting on decision (school, after_sitting);

create table cycle (
  school uuid not null,
  id uuid not null,
  child uuid not null,
  began_on date not null,
  ends_on date not null check (ends_on > began_on),
  goal smallint not null check (goal between 1 and 12),
  entry_reason text not null check (length(entry_reason) between 1 and 300),
  begun_by uuid not null,
  begun_at timestamptz not null,
  ended_on date,
  exit_reason text check (length(exit_reason) between 1 and 300),
  ended_by uuid,
  primary key (school, id),
  foreign key (school, child) references child,
  check ((ended_on is null) = (exit_reason is null))
);
create unique index one_open_cycle on cycle (school, child) where ended_on is null;
create index cycle_of_child on cycle (school, child, began_on);

alter table sitting
  -- Which check form was asked.
  add column form text check (form in ('A', 'B', 'C')),
  -- How the answers of a measure came out, of a cold start or a check form, and what that was reckoned from.
  add column outcomes text[],
  add column outcomes_from text;
grant update (outcomes, outcomes_from) on sitting to umbick_app;
create index cold_start_of_child on sitting (school, child) where plan = 'cold';
create index form_of_child on sitting (school, child) where form is not null;

-- The letter stood in the reason of its items until now.
do $$
declare known uuid;
begin
  for known in select id from school loop
    perform set_config('umbick.school', known::text, true);
    update sitting set form = (select substring(why from 'form ([ABC])') from asked_item where asked_item.school = sitting.school and asked_item.sitting = sitting.id order by place limit 1)
      where plan = 'form' and screening is null;
  end loop;
  perform set_config('umbick.school', '', true);
end $$;

do $$
declare name text;
begin
  foreach name in array array['class_teaching', 'holiday', 'slot', 'slot_child', 'barred_time', 'absence', 'stand_in', 'decision', 'cycle'] loop
    execute format('alter table %I enable row level security', name);
    execute format('alter table %I force row level security', name);
    execute format('create policy of_school on %I using (school = current_school()) with check (school = current_school())', name);
    execute format('grant select, insert on %I to umbick_app', name);
  end loop;
end $$;
grant delete on holiday, slot, slot_child, barred_time, absence, stand_in to umbick_app;
grant update (wording, topic, rule_of_thumb, told_at) on class_teaching to umbick_app;
grant update (absent, noted_by, noted_at) on absence to umbick_app;
grant update (taken_back_by, taken_back_at) on decision to umbick_app;
grant update (ended_on, exit_reason, ended_by) on cycle to umbick_app;

-- What is shown of a belief is the belief, and not a rounding of it.
alter table marginal alter column belief type double precision;

-- How many of the items of form A of its cycle the model expected to come right after a check form, 0 to their number.
alter table sitting add column expected_right double precision;
grant update (expected_right) on sitting to umbick_app;
