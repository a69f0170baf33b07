-- Who asked after what is easily overlooked where a child does not come on, and when. What came of it is not kept.
create table asked_after (
  school uuid not null references school,
  child uuid not null,
  about text not null check (about in ('eyesight', 'hearing', 'language', 'counting')),
  asked_on date not null
    constraint asked_after_asked_on_within_years check (asked_on >= '2000-01-01' and asked_on < '2101-01-01'),
  asked_by uuid not null,
  noted_at timestamptz not null
    constraint asked_after_noted_at_within_years check (noted_at >= '2000-01-01' and noted_at < '2101-01-01'),
  primary key (school, child, about, asked_on),
  -- With a child goes what was asked after them.
  foreign key (school, child) references child on delete cascade
);
alter table asked_after enable row level security;
alter table asked_after force row level security;
create policy of_school on asked_after using (school = current_school()) with check (school = current_school());
grant select, insert, delete on asked_after to umbick_app;
