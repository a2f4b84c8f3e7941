-- What a credential says as a token follows from what was proved and the key of that time.
alter table credential drop column token;
