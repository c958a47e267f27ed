alter table cue add column high_pass_on boolean default false not null;
alter table cue add column high_pass_hz double precision default 80 not null;
alter table cue add column low_pass_on boolean default false not null;
alter table cue add column low_pass_hz double precision default 12000 not null;
