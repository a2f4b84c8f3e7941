-- what a register can say of a learner: rows of the course, numbered within it
create table attendance_status (
  course_id bigint not null references course on delete cascade,
  number integer not null,
  name text not null,
  there boolean not null,
  counts boolean not null,
  position integer not null,
  primary key (course_id, number)
);

insert into attendance_status (course_id, number, name, there, counts, position)
select course.id, status.*
from course
cross join (values
  (1, 'Present', true, true, 0),
  (2, 'Late', true, true, 1),
  (3, 'Left early', true, true, 2),
  (4, 'Absent with notice', false, false, 3),
  (5, 'Absent', false, true, 4)) as status
where not course.framework;
