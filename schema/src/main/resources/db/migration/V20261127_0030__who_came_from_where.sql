-- Whether somebody has come from an address before is asked while others guess
create index account_event_from on account_event (email, address) where what = 'SIGNED_IN';
create index failed_sign_in_at on failed_sign_in (at);
