create table turned_by_hand (
    rig_id varchar(40) not null references rig (id),
    port_id varchar(40) not null,
    gain_db double precision not null,
    phantom boolean not null,
    noted_at timestamp with time zone not null,
    primary key (rig_id, port_id)
);
