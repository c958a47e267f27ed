-- What somebody found at an outlet of a headphone amp; the last note counts.
create table outlet_note (
    rig_id varchar(40) not null references rig (id),
    id varchar(40) not null,
    noted_at timestamp with time zone not null,
    document clob not null,
    primary key (rig_id, id)
);
