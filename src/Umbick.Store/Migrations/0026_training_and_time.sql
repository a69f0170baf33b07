-- Practice for adults, and a sense of time.

-- What an adult has trained with. Nobody else sees it: every statement names the person.
create table training (
  school uuid not null references school,
  id uuid not null,
  person uuid not null,
  kind text not null check (kind in ('child', 'visit', 'marking')),
  level text not null check (length(level) <= 20),
  seed integer not null check (seed > 0),
  moves text not null check (length(moves) <= 400),
  verdict text not null check (length(verdict) <= 120),
  told text not null check (length(told) <= 400),
  went_well boolean not null,
  at timestamptz not null constraint training_at_within_years check (at >= '2000-01-01' and at < '2101-01-01'),
  -- Whether colleagues who have marked the same, and share it too, may be compared with.
  shared boolean not null default false check (not shared or kind = 'marking'),
  primary key (school, id),
  foreign key (school, person) references person on delete cascade
);
create index training_of_person on training (school, person, at);

-- What a child guessed of time, and what it was: two tries, compared with nobody.
create table time_try (
  school uuid not null references school,
  id uuid not null,
  child uuid not null,
  card text not null check (length(card) <= 30),
  given double precision not null check (given > 0 and given <= 100000),
  real_value double precision not null check (real_value > 0 and real_value <= 100000),
  given_again double precision check (given_again > 0 and given_again <= 100000),
  real_again double precision check (real_again > 0 and real_again <= 100000),
  noted_by uuid not null,
  tried_at timestamptz not null constraint time_try_tried_at_within_years check (tried_at >= '2000-01-01' and tried_at < '2101-01-01'),
  primary key (school, id),
  -- With a child goes what they guessed.
  foreign key (school, child) references child on delete cascade,
  check ((given_again is null) = (real_again is null))
);
create index time_try_of_child on time_try (school, child, tried_at);

-- Eight times of the school's own day, with their words.
create table day_moment (
  school uuid not null references school,
  place smallint not null check (place between 1 and 8),
  words text not null check (length(words) between 1 and 40 and position('@' in words) = 0),
  at time not null,
  primary key (school, place)
);

do $$
declare name text;
begin
  foreach name in array array['training', 'time_try', 'day_moment'] loop
    execute format('alter table %I enable row level security', name);
    execute format('alter table %I force row level security', name);
    execute format('create policy of_school on %I using (school = current_school()) with check (school = current_school())', name);
  end loop;
end $$;
grant select, insert, delete on training, time_try to umbick_app;
grant update (shared) on training to umbick_app;
grant select, insert, update on day_moment to umbick_app;

-- Whoever leaves takes what they trained with along: nobody else ever sees it.
create function forget_training() returns trigger
  language plpgsql security definer set search_path = public, pg_temp as
$$
begin
  delete from training where school = new.school and person = new.id;
  return null;
end $$;
revoke all on function forget_training() from public;
create trigger person_left after update of left_at on person for each row when (new.left_at is not null) execute function forget_training();
