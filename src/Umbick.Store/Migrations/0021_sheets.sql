-- A list on paper, and the code on its sheets by which what is written there is entered.
create table sheet (
  school uuid not null references school,
  -- What was drawn. With the school's mark and a check letter it is the code.
  letters text not null check (letters ~ '^[BCDFGHJKLMNPRSTVWXZ]{4}$'),
  sitting uuid not null,
  made_at timestamptz not null
    constraint sheet_made_at_within_years check (made_at >= '2000-01-01' and made_at < '2101-01-01'),
  primary key (school, letters),
  -- Printed again, a list has the same code.
  unique (school, sitting),
  -- With a sitting goes its sheet.
  foreign key (school, sitting) references sitting on delete cascade
);
alter table sheet enable row level security;
alter table sheet force row level security;
create policy of_school on sheet using (school = current_school()) with check (school = current_school());
grant select, insert on sheet to umbick_app;
