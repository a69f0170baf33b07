-- An answer belongs to the item at its place, and is there once; a class's form is the class's; a sitting's day is that of its answers.

alter table answer
  -- The answer that this one puts right; null where it is the first to its place and try.
  add column corrects uuid,
  -- When it reached the database: later than it was given, where there was no connection.
  add column kept_at timestamptz;

alter table sitting
  -- When its first answer was given. A sitting without one has no day, and says nothing.
  add column first_answer_at timestamptz,
  -- The day that was told, where answers were given on paper.
  add column told_day date,
  -- What its marginals were reckoned from: the engine, the child's stage, the child's latest answer.
  add column concluded_from text;

-- The day on which a class's sheets were done.
alter table screening add column paper_day date;

create table screening_item (
  school uuid not null,
  screening uuid not null,
  place smallint not null,
  task text not null,
  clock_time text not null,
  claim text,
  detail jsonb,
  primary key (school, screening, place),
  foreign key (school, screening) references screening
);

-- Under forced row security the owner sees the rows of one school at a time.
do $$
declare known uuid;
begin
  for known in select id from school loop
    perform set_config('umbick.school', known::text, true);
    insert into screening_item (school, screening, place, task, clock_time, claim, detail)
      select distinct on (sitting.screening, asked.place)
        sitting.school, sitting.screening, asked.place, asked.task, asked.clock_time, asked.claim, asked.detail
      from asked join sitting on sitting.school = asked.school and sitting.id = asked.sitting
      where sitting.screening is not null and asked.place <= sitting.length
      order by sitting.screening, asked.place, asked.withdrawn, sitting.turn;
    update answer set kept_at = given_at, corrects = earlier.id
      from (select sitting, id as later, lag(id) over (partition by sitting, place, try order by seq) as id from answer) earlier
      where answer.sitting = earlier.sitting and answer.id = earlier.later;
    update sitting set first_answer_at = (select min(given_at) from answer where answer.school = sitting.school and answer.sitting = sitting.id);
    update screening set paper_day = (started_at at time zone (select time_zone from school where id = known))::date
      where exists (select from sitting join answer on answer.school = sitting.school and answer.sitting = sitting.id
        where sitting.school = screening.school and sitting.screening = screening.id and answer.given_by is not null);
    -- Of several askings of one child that stood open, the one with the most answers goes on; all keep what was answered.
    update sitting set ended_at = now(), version = version + 1
      from (select id, row_number() over (partition by child order by (select count(*) from answer where answer.sitting = open.id) desc, started_at desc, id) as place
            from sitting open where kind = 'asking' and screening is null and ended_at is null) doubled
      where sitting.id = doubled.id and doubled.place > 1;
  end loop;
  perform set_config('umbick.school', '', true);
end $$;

alter table answer
  alter column kept_at set default now(), alter column kept_at set not null,
  add foreign key (school, sitting, corrects) references answer (school, sitting, id);
create unique index first_answer_once on answer (school, sitting, place, try) where corrects is null;
create unique index corrected_once on answer (school, sitting, corrects) where corrects is not null;
create index answer_by_seq on answer (school, sitting, seq);
create unique index one_open_asking on sitting (school, child) where kind = 'asking' and screening is null and ended_at is null;

alter table screening_item enable row level security;
alter table screening_item force row level security;
create policy of_school on screening_item using (school = current_school()) with check (school = current_school());

-- A row is written here and rolled back, to see whether anything can be written.
create table ready_probe (at timestamptz not null);
alter table ready_probe enable row level security;
alter table ready_probe force row level security;
create policy probed on ready_probe for insert to umbick_app with check (true);

grant select, insert on screening_item to umbick_app;
grant update (first_answer_at, told_day, concluded_from) on sitting to umbick_app;
grant update (paper_day) on screening to umbick_app;
grant update (time_zone) on school to umbick_app;
grant insert on ready_probe to umbick_app;
