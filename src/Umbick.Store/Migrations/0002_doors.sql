-- Who may do what. The site's role owns nothing, and without a school set it sees nothing.

create function current_school() returns uuid language sql stable as
  $$ select nullif(current_setting('umbick.school', true), '')::uuid $$;

do $$
declare name text;
begin
  foreach name in array array['person', 'child', 'practice_set', 'set_item', 'sitting', 'asked', 'answer', 'marginal'] loop
    execute format('alter table %I enable row level security', name);
    execute format('alter table %I force row level security', name);
    execute format('create policy of_school on %I using (school = current_school()) with check (school = current_school())', name);
  end loop;
end $$;
alter table school enable row level security;
alter table school force row level security;
create policy of_school on school using (id = current_school()) with check (id = current_school());

-- The keys belong to no school; the site reaches them only through the two functions below.
alter table data_protection_key enable row level security;
alter table data_protection_key force row level security;
create policy of_owner on data_protection_key to umbick_owner using (true) with check (true);

-- The owner's own functions must find a person before the school is known. They bind only the owner: the site's role is another.
create policy before_sign_in on person for select to umbick_owner using (true);

grant usage on schema public to umbick_app;
grant select on school, person, child, practice_set, set_item, sitting, asked, answer, marginal to umbick_app;
grant insert on child, practice_set, set_item, sitting, asked, answer, marginal to umbick_app;
grant update (password_hash, security_stamp, access_failed_count, lockout_end) on person to umbick_app;
grant update (stage) on child to umbick_app;
grant update (current_place, version, ended_at) on sitting to umbick_app;
grant update (withdrawn) on asked to umbick_app;
grant delete on marginal to umbick_app;

create function find_person(wanted text) returns table (school uuid, id uuid)
  language sql stable security definer set search_path = public, pg_temp as
  $$ select person.school, person.id from person where person.normalized_user_name = wanted $$;

create function read_keys() returns setof text
  language sql stable security definer set search_path = public, pg_temp as
  $$ select xml from data_protection_key $$;

create function add_key(key_name text, key_xml text) returns void
  language sql security definer set search_path = public, pg_temp as
  $$ insert into data_protection_key (name, xml) values (key_name, key_xml) $$;

revoke all on function find_person(text), read_keys(), add_key(text, text) from public;
grant execute on function find_person(text), read_keys(), add_key(text, text) to umbick_app;
