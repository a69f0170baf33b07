-- A device that shows a visit to its children may ask to join it as a second adult's. It writes once it has been let in, in that visit.
alter table session
  add column asks_since timestamptz
    constraint session_asks_since_within_years check (asks_since >= '2000-01-01' and asks_since < '2101-01-01'),
  add column let_in_at timestamptz
    constraint session_let_in_at_within_years check (let_in_at >= '2000-01-01' and let_in_at < '2101-01-01'),
  add column let_in_by uuid,
  -- Whoever let it in answers for it; with them it goes.
  add foreign key (school, let_in_by) references person on delete cascade,
  add check ((let_in_by is null) = (let_in_at is null)),
  add check (asks_since is null or sitting is not null),
  add check (let_in_at is null or asks_since is not null);
grant update (asks_since, let_in_at, let_in_by) on session to umbick_app;
