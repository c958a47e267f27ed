create table turned_by_hand (
    rig_id varchar(40) not null references rig (id),
    port_id varchar(40) not null,
    gain_db double precision not null,
    phantom boolean not null,
    noted_at timestamp with time zone not null,
    primary key (rig_id, port_id)
);

alter table port add column link varchar(10);
alter table port add column link_channel int default 0 not null;
-- Optical inputs were counted through before they were known as channels of links.
update port set link = 'OPTICAL', link_channel = mod(
    (select count(*) from port other where other.rig_id = port.rig_id and other.device_id = port.device_id
        and other.takes = 'DIGITAL' and other.direction = 'IN' and other.number < port.number), 8) + 1
    where takes = 'DIGITAL' and direction = 'IN';

alter table device add column driven boolean default false not null;
alter table device add column sample_rates varchar(200) default '44100,48000,88200,96000,176400,192000' not null;
alter table device add column buffers varchar(200) default '32,64,128,256,512,1024' not null;
alter table device add column direct_monitoring boolean default true not null;
update device set driven = true where kind = 'INTERFACE';

create table wide_group (
    rig_id varchar(40) not null references rig (id),
    id varchar(40) not null,
    house_label varchar(400) not null,
    ports varchar(400) not null,
    primary key (rig_id, id)
);

alter table track add column colour varchar(10) default 'NONE' not null;
alter table track add column mark varchar(10) default 'NONE' not null;
alter table track add column folder varchar(400) default '' not null;
alter table track add column hidden boolean default false not null;

create table track_view (
    session_id varchar(40) not null references session (id),
    id varchar(40) not null,
    name varchar(400) not null,
    hidden clob not null,
    primary key (session_id, id)
);
