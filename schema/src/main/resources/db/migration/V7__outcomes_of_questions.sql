-- A finished attempt says how the questions of each outcome went; earlier ones say nothing of it ----
update fact set body = body || '{"parts": []}' where kind = 'finished-attempt';
