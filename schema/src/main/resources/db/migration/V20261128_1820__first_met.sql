-- What learners keep says also when conditions were first met after which days are counted. -----------
update enrolment set latches = latches || '{"firstMet": []}' where not jsonb_exists(latches, 'firstMet');
