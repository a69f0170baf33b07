-- One word for one thing: columns and a table are called as the glossary calls what they hold. What stands in them stays.

alter table sitting rename column way to delivery;
alter table sitting rename column turn to turn_in_visit;
alter table sitting rename column told_day to paper_day;
alter table marginal rename column practise_place to practice_order;
alter table child rename column met to tasks_met;
alter table asked rename to asked_item;
