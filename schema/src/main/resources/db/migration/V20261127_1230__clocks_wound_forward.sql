-- seconds by which the clock of a made-up learner is wound forward
alter table enrolment
  add column ahead bigint not null default 0,
  add constraint ahead_of_made_up_learners check (ahead = 0 or (practice and ahead > 0));
