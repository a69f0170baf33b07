-- What stands out after a sitting and is no listed pattern; and the names that teachers give to ways that nobody has listed.

alter table sitting add column unnamed text;
grant update (unnamed) on sitting to umbick_app;

create table named_way (
  school uuid not null,
  child uuid not null,
  step text not null,
  name text not null check (length(name) between 1 and 80),
  named_by uuid not null,
  named_at timestamptz not null,
  primary key (school, child, step),
  foreign key (school, child) references child (school, id)
);

alter table named_way enable row level security;
alter table named_way force row level security;
create policy of_school on named_way using (school = current_school()) with check (school = current_school());
grant select, insert, delete on named_way to umbick_app;
grant update (name, named_by, named_at) on named_way to umbick_app;
