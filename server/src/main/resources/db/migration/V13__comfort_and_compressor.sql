-- What a cue has in front of its guard besides filters, and how much of a track its comfort reverb gets.
alter table cue add column compressor_on boolean default false not null;
alter table cue add column compressor_threshold_dbfs double precision default -24 not null;
alter table cue add column compressor_ratio double precision default 2 not null;
alter table cue add column compressor_attack_ms double precision default 10 not null;
alter table cue add column compressor_release_ms double precision default 150 not null;
alter table cue add column compressor_make_up_db double precision default 0 not null;
alter table cue add column comfort_on boolean default false not null;
alter table cue add column comfort_room varchar(20) default 'MEDIUM' not null;
alter table cue add column comfort_db double precision default 0;
alter table cue add column ears varchar(20) default 'STEREO' not null;
alter table send add column comfort_db double precision;
