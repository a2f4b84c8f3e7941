-- A session names its person by another type now; everybody signs in once more.
delete from spring_session;
