alter table shelf_item drop constraint shelf_item_what_check;
alter table shelf_item add constraint shelf_item_what_check check (what in ('module', 'step', 'badge'));
