alter table log_line add column packed blob;
alter table log_line alter column edits drop not null;
alter table log_line alter column parts_before drop not null;
alter table log_line alter column parts_after drop not null;

alter table rig_log_line add column packed blob;
alter table rig_log_line alter column edits drop not null;
alter table rig_log_line alter column parts_before drop not null;
alter table rig_log_line alter column parts_after drop not null;
