-- Which demonstration of an idea was shown to a child: what did not help is not said over again in the same words.

create table demonstration_shown (
  school uuid not null,
  id uuid not null,
  child uuid not null,
  pattern text not null,
  demonstration text not null,
  shown_by uuid not null,
  shown_at timestamptz not null,
  primary key (school, id),
  foreign key (school, child) references child (school, id)
);

create index demonstration_of_child on demonstration_shown (school, child, shown_at);

alter table demonstration_shown enable row level security;
alter table demonstration_shown force row level security;
create policy of_school on demonstration_shown using (school = current_school()) with check (school = current_school());
grant select, insert on demonstration_shown to umbick_app;
