-- The record of a school. Every row belongs to a school; every foreign key carries it.

create table school (
  id uuid primary key,
  name text not null check (length(name) between 1 and 120),
  time_zone text not null default 'Europe/London'
);

create table person (
  school uuid not null references school,
  id uuid not null,
  user_name text not null check (length(user_name) between 1 and 256),
  normalized_user_name text not null unique,
  display_name text not null,
  password_hash text,
  security_stamp text not null,
  access_failed_count int not null default 0,
  lockout_end timestamptz,
  primary key (school, id)
);

create table child (
  school uuid not null references school,
  id uuid not null,
  alias text not null check (length(alias) between 1 and 60),
  stage smallint not null check (stage between 1 and 12),
  added_at timestamptz not null,
  primary key (school, id),
  unique (school, alias)
);

create table practice_set (
  school uuid not null,
  id uuid not null,
  child uuid not null,
  pattern text not null,
  seed int not null,
  start_support text not null,
  assigned_at timestamptz not null,
  assigned_by uuid not null,
  -- What was shown when it was assigned, and by which rules: what is decided today must still be understood next year.
  engine text not null,
  shown jsonb not null,
  primary key (school, id),
  foreign key (school, child) references child
);
create index practice_set_of_child on practice_set (school, child, assigned_at);

create table set_item (
  school uuid not null,
  practice_set uuid not null,
  place smallint not null,
  task text not null,
  clock_time text not null,
  claim text,
  part text not null,
  support text not null,
  why text not null,
  primary key (school, practice_set, place),
  foreign key (school, practice_set) references practice_set
);

create table sitting (
  school uuid not null,
  id uuid not null,
  child uuid not null,
  kind text not null check (kind in ('asking', 'practice')),
  practice_set uuid,
  stage smallint not null,
  length smallint not null,
  current_place smallint not null default 1,
  version int not null default 1,
  started_at timestamptz not null,
  ended_at timestamptz,
  primary key (school, id),
  foreign key (school, child) references child,
  foreign key (school, practice_set) references practice_set
);
create index sitting_of_child on sitting (school, child, started_at);
create index sitting_of_set on sitting (school, practice_set);

create table asked (
  school uuid not null,
  sitting uuid not null,
  place smallint not null,
  task text not null,
  clock_time text not null,
  claim text,
  support text not null,
  why text not null,
  asked_at timestamptz not null,
  withdrawn boolean not null default false,
  primary key (school, sitting, place),
  foreign key (school, sitting) references sitting
);

-- Answers are only ever added. A later answer to the same place and try puts an earlier one right.
create table answer (
  school uuid not null,
  sitting uuid not null,
  id uuid not null,
  place smallint not null,
  try smallint not null check (try between 1 and 2),
  raw text not null check (length(raw) <= 200),
  mode text not null,
  seconds real,
  given_at timestamptz not null,
  given_by uuid,
  seq bigint generated always as identity,
  primary key (school, sitting, id),
  foreign key (school, sitting, place) references asked
);

create table marginal (
  school uuid not null,
  sitting uuid not null,
  pattern text not null,
  belief real not null,
  label text not null,
  engine text not null,
  primary key (school, sitting, pattern),
  foreign key (school, sitting) references sitting
);

create table data_protection_key (
  name text primary key,
  xml text not null
);
