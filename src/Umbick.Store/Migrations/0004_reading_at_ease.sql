-- A set for reading at ease mends no pattern. How long a line may run beside its questions is kept when it is assigned.
alter table practice_set
  alter column pattern drop not null,
  add column line_seconds real check (line_seconds > 0);
