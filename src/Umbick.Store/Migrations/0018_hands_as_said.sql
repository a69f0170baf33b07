-- Until now the second number of hands that were noted was the numeral at the long hand (7 6); from here on it is its minutes, and a
-- numeral has a sign (7 @6). What was noted keeps its meaning.
do $$
declare
  known uuid;
  noted constant text := '^\s*([0-9]{1,2}(\+|-|-[0-9]{1,2})?)\s+([0-9]{1,2}(\+[1-4])?)\s*$';
begin
  for known in select id from school loop
    perform set_config('umbick.school', known::text, true);
    update answer set raw = regexp_replace(raw, noted, '\1 @\3')
      from asked_item
      where asked_item.school = answer.school and asked_item.sitting = answer.sitting and asked_item.place = answer.place
        and asked_item.task in ('set-from-digital', 'set-from-words', 'copy-clock') and answer.raw ~ noted;
    update answer set first_raw = regexp_replace(first_raw, noted, '\1 @\3')
      from asked_item
      where asked_item.school = answer.school and asked_item.sitting = answer.sitting and asked_item.place = answer.place
        and asked_item.task in ('set-from-digital', 'set-from-words', 'copy-clock') and answer.first_raw ~ noted;
  end loop;
  perform set_config('umbick.school', '', true);
end $$;
