-- A teacher may give a child another alias.
grant update (alias) on child to umbick_app;
