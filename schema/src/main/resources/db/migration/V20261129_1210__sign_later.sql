-- an award that could not be signed is tried again later, and holds nobody else up
alter table award add column sign_from timestamptz;
