-- Until when something may still be done at a step that can be used; null as long as it can be.
alter table step add column late_until timestamptz;
