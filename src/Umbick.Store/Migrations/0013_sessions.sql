-- A session that can be ended: what a cookie opens is asked here at each request.

create table session (
  school uuid not null references school,
  id uuid not null,
  -- A teacher's, or a child's device at one sitting.
  person uuid,
  sitting uuid,
  started_at timestamptz not null,
  ends_at timestamptz not null,
  ended_at timestamptz,
  primary key (school, id),
  -- With whoever is removed go the sessions.
  foreign key (school, person) references person on delete cascade,
  foreign key (school, sitting) references sitting,
  check ((person is null) <> (sitting is null))
);
create index session_of_person on session (school, person);
create index session_of_sitting on session (school, sitting);

alter table session enable row level security;
alter table session force row level security;
create policy of_school on session using (school = current_school()) with check (school = current_school());
grant select, insert on session to umbick_app;
grant update (ended_at) on session to umbick_app;
