-- Further pairs by which the same leaves as by a cue's output.
create table cue_further_output (
    session_id varchar(40) not null,
    cue_id varchar(40) not null,
    pair varchar(40) not null,
    place int not null,
    primary key (session_id, cue_id, place),
    foreign key (session_id, cue_id) references cue (session_id, id)
);

-- Whether the main level moves a cue's level too.
alter table cue add column linked_to_main boolean default false not null;
