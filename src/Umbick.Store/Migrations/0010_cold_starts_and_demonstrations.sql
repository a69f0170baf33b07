-- A cold start is a kind of its own: a few bare clocks for one pattern, first thing in a visit, before a word of help. What is charted and
-- decided from are the cold starts.

alter table sitting drop constraint sitting_plan_check;
alter table sitting add constraint sitting_plan_check check (plan in ('adaptive', 'form', 'ground', 'chosen', 'cold'));
alter table sitting add column cold_for text;
alter table sitting add constraint sitting_cold_for_check check ((plan = 'cold') = (cold_for is not null));

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
