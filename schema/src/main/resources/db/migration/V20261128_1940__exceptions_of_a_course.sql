-- All exceptions of a course are listed; few facts are any. ---------------------------------------------
create index fact_exceptions on fact (course_id, enrolment_id)
  where kind in ('opened', 'excused', 'due-moved', 'attempts-added', 'time-added', 'exception-ended');
