-- What performers play, and how far their ears are from the speaker that plays their cue; 0 with headphones.
alter table performer add column plays varchar(20);
alter table performer add column metres double precision default 0 not null;

-- By how many frames a track is heard later than it comes in.
alter table track add column shift_frames integer default 0 not null;

-- How late sound comes back over a cable, measured at an interface; the newest of each way counts.
create table loopback (
    rig_id varchar(40) not null references rig (id),
    id varchar(40) not null,
    measured_at timestamp with time zone not null,
    document clob not null,
    primary key (rig_id, id)
);
