-- What is kept for speed alone, and made again from the answers at any time: it is in no file and no backup, and gone after a crash.

-- Where a replay of a child's answers stood at the end of a sitting, for the next one to go on from.
create unlogged table replay_point (
  school uuid not null,
  sitting uuid not null,
  child uuid not null,
  -- What all sittings up to here are known by: the engine, their answers, their days, what they practised.
  name text not null check (length(name) = 64),
  state bytea not null,
  primary key (school, sitting),
  foreign key (school, sitting) references sitting on delete cascade,
  foreign key (school, child) references child on delete cascade
);
alter table replay_point alter column state set storage external;
create index replay_point_of_child on replay_point (school, child);

-- What the answers say in the middle of a sitting: lists tell it, with its time.
create unlogged table sitting_so_far (
  school uuid not null,
  sitting uuid not null,
  concluded_from text not null,
  concluded_at timestamptz not null
    constraint sitting_so_far_concluded_at_within_years check (concluded_at >= '2000-01-01' and concluded_at < '2101-01-01'),
  patterns text[] not null,
  labels text[] not null,
  beside text,
  primary key (school, sitting),
  foreign key (school, sitting) references sitting on delete cascade,
  check (cardinality(patterns) = cardinality(labels))
);

do $$
declare
  name text;
begin
  foreach name in array array['replay_point', 'sitting_so_far'] loop
    execute format('alter table %I enable row level security', name);
    execute format('alter table %I force row level security', name);
    execute format('create policy of_school on %I using (school = current_school()) with check (school = current_school())', name);
    execute format('grant select, insert, update, delete on %I to umbick_app', name);
  end loop;
end $$;

grant update (belief, label, engine, practice_order) on marginal to umbick_app;

-- The ids of all schools, and nothing else of them: what is believed is brought up to date school by school.
create function school_ids() returns setof uuid
  language sql stable security definer set search_path = public, pg_temp as
$$ select id from school order by id $$;
revoke all on function school_ids() from public;
grant execute on function school_ids() to umbick_app;
