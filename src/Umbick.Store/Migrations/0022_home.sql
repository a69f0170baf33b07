-- What a family told of a page for home: easy, with help, not today. It is no evidence of a pattern, and no belief reads it.
create table home_note (
  school uuid not null references school,
  child uuid not null,
  told_on date not null
    constraint home_note_told_on_within_years check (told_on >= '2000-01-01' and told_on < '2101-01-01'),
  -- Which of the page's three days.
  day smallint not null check (day between 1 and 3),
  how text not null check (how in ('easy', 'with-help', 'not-today')),
  noted_by uuid not null,
  noted_at timestamptz not null
    constraint home_note_noted_at_within_years check (noted_at >= '2000-01-01' and noted_at < '2101-01-01'),
  primary key (school, child, told_on, day),
  -- With a child goes what the family told.
  foreign key (school, child) references child on delete cascade
);

-- The texts of a page for home in a family's language, as its file has them.
create table home_language (
  school uuid not null references school,
  tag text not null check (length(tag) <= 20),
  texts text not null check (length(texts) <= 65536),
  added_by uuid not null,
  added_at timestamptz not null
    constraint home_language_added_at_within_years check (added_at >= '2000-01-01' and added_at < '2101-01-01'),
  primary key (school, tag)
);

do $$
declare
  name text;
begin
  foreach name in array array['home_note', 'home_language'] loop
    execute format('alter table %I enable row level security', name);
    execute format('alter table %I force row level security', name);
    execute format('create policy of_school on %I using (school = current_school()) with check (school = current_school())', name);
  end loop;
end $$;
grant select, insert, update, delete on home_note, home_language to umbick_app;
