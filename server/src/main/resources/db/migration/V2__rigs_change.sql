alter table rig add column revision bigint default 0 not null;

alter table device add column position double precision default 0 not null;
alter table device add column clock varchar(10) default 'NONE' not null;
alter table device add column drift_ppm double precision default 0 not null;
alter table device add column retired boolean default false not null;
update device set position = place;
update device set clock = 'LEADS' where kind = 'INTERFACE';
update device set clock = 'FOLLOWS' where kind = 'EXPANDER';
alter table device drop column place;

alter table port add column pad_db double precision default 0 not null;
alter table port drop column place;

alter table tie drop column place;

alter table output_pair rename to stereo_pair;
alter table stereo_pair drop column place;
alter table stereo_pair drop column panel_name;

create table mic (
    rig_id varchar(40) not null references rig (id),
    id varchar(40) not null,
    name varchar(400) not null,
    kind varchar(20) not null,
    quantity int not null,
    sensitivity_mv_pa double precision not null,
    connector varchar(400) not null,
    primary key (rig_id, id)
);

create table rig_log_line (
    rig_id varchar(40) not null references rig (id),
    number bigint not null,
    revision bigint not null,
    made_at timestamp with time zone not null,
    person varchar(80) not null,
    gesture varchar(80) not null,
    summary varchar(1000) not null,
    edits clob not null,
    parts_before clob not null,
    parts_after clob not null,
    of_number bigint,
    state varchar(10) not null,
    primary key (rig_id, number)
);

create table rig_copy (
    rig_id varchar(40) not null references rig (id),
    number bigint not null,
    name varchar(400) not null,
    made_at timestamp with time zone not null,
    document clob not null,
    primary key (rig_id, number)
);

alter table input add column stand varchar(400) default '' not null;
alter table input add column cable_metres double precision default 0 not null;
alter table input add column place varchar(400) default '' not null;
alter table input add column wanted_level varchar(12) default 'MIC' not null;
alter table input add column pad boolean default false not null;
alter table input add column is_cut boolean default false not null;

create table acknowledgement (
    session_id varchar(40) not null references session (id),
    id varchar(200) not null,
    reason varchar(400) not null,
    primary key (session_id, id)
);
