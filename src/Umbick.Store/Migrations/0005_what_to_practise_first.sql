-- The place of a pattern among those to be practised, from 0; none where it is neither likely nor possible.
alter table marginal add column practise_place smallint;
