-- Of the act that wrote the state last: whoever remembers it from then knows by this that nobody has since
alter table enrolment add stamp bigint not null default 0;
