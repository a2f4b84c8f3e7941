-- When an exception ends by itself; the end is a fact once it has come. ---------------------------------------------
create table exception_end (
  fact_id bigint primary key,
  enrolment_id bigint not null references enrolment,
  at timestamptz not null,
  try_from timestamptz not null
);
create index exception_end_due on exception_end (try_from);
create index exception_end_by_enrolment on exception_end (enrolment_id);
