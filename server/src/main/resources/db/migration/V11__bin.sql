-- When somebody removed a session, a rig or a template; until its time is over it can be taken back.
alter table session add column removed_at timestamp with time zone;
alter table rig add column removed_at timestamp with time zone;
alter table kept add column removed_at timestamp with time zone;
