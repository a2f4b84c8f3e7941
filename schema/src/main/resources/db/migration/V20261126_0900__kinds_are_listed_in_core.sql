-- which kinds of steps there are is said in one list, and that is not here
alter table step drop constraint step_kind_check;
