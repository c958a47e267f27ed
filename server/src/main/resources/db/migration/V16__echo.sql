-- A cue's echo of what goes into its comfort reverb; none where no note is given.
alter table cue add column echo_after varchar(20);
alter table cue add column echo_fall_db double precision;
alter table cue add column echo_db double precision;
