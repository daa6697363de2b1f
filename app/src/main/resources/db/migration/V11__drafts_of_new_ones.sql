-- Each page on which something new is typed keeps a draft of its own: a new one never opens or overwrites that of another.
alter table draft add column slot text not null default '';
update draft set slot = page where tree_id = 0;
alter table draft drop constraint draft_pkey;
alter table draft add primary key (account_id, tree_id, stage, slot);
