-- Back to the adult by six figures after a child's turn, where the school and the person have switched it on.

alter table school add column pin_allowed boolean not null default false;
grant update (pin_allowed) on school to umbick_app;

-- The six figures of a person at a school, as a slow hash.
create table pin (
  school uuid not null references school,
  person uuid not null,
  hash text not null check (length(hash) between 40 and 400),
  set_at timestamptz not null constraint pin_set_at_within_years check (set_at >= '2000-01-01' and set_at < '2101-01-01'),
  primary key (school, person),
  foreign key (school, person) references person on delete cascade
);
alter table pin enable row level security;
alter table pin force row level security;
create policy of_school on pin using (school = current_school()) with check (school = current_school());
grant select, insert, delete on pin to umbick_app;
grant update (hash, set_at) on pin to umbick_app;

-- To whom a child's device goes back, as they stood when they handed it over: not beyond the end of their own session, and with five tries.
alter table session
  add column back_to uuid,
  add column back_stamp text,
  add column back_ends timestamptz
    constraint session_back_ends_within_years check (back_ends >= '2000-01-01' and back_ends < '2101-01-01'),
  add column back_tries smallint not null default 0 check (back_tries between 0 and 5),
  add foreign key (school, back_to) references person on delete set null (back_to),
  add check (back_to is null or (sitting is not null and back_stamp is not null and back_ends is not null));
create index session_of_back on session (school, back_to) where back_to is not null;
grant update (back_tries) on session to umbick_app;
