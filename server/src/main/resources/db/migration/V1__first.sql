create table rig (
    id varchar(40) primary key,
    name varchar(400) not null,
    celsius double precision not null
);

create table device (
    rig_id varchar(40) not null references rig (id),
    id varchar(40) not null,
    place int not null,
    name varchar(400) not null,
    kind varchar(20) not null,
    full_scale_dbu double precision not null,
    converter_in int not null,
    driver_in int not null,
    driver_out int not null,
    converter_out int not null,
    primary key (rig_id, id)
);

create table port (
    rig_id varchar(40) not null,
    id varchar(40) not null,
    place int not null,
    device_id varchar(40) not null,
    direction varchar(10) not null,
    number int not null,
    panel_name varchar(400) not null,
    house_label varchar(400) not null,
    takes varchar(100) not null,
    phantom boolean not null,
    bank varchar(40) not null,
    gain_min_db double precision not null,
    gain_max_db double precision not null,
    gain_step_db double precision not null,
    remote boolean not null,
    hidden boolean not null,
    primary key (rig_id, id),
    foreign key (rig_id, device_id) references device (rig_id, id)
);

create table tie (
    rig_id varchar(40) not null,
    from_port_id varchar(40) not null,
    to_port_id varchar(40) not null,
    place int not null,
    primary key (rig_id, from_port_id),
    unique (rig_id, to_port_id),
    foreign key (rig_id, from_port_id) references port (rig_id, id),
    foreign key (rig_id, to_port_id) references port (rig_id, id)
);

create table output_pair (
    rig_id varchar(40) not null,
    id varchar(40) not null,
    place int not null,
    house_label varchar(400) not null,
    panel_name varchar(400) not null,
    left_port_id varchar(40) not null,
    right_port_id varchar(40) not null,
    feeds varchar(20) not null,
    primary key (rig_id, id),
    foreign key (rig_id, left_port_id) references port (rig_id, id),
    foreign key (rig_id, right_port_id) references port (rig_id, id)
);

create table session (
    id varchar(40) primary key,
    revision bigint not null,
    name varchar(400) not null,
    song varchar(400) not null,
    sample_rate int not null,
    bit_depth int not null,
    buffer_frames int not null,
    rig_id varchar(40) not null references rig (id),
    main_level_db double precision,
    main_output varchar(40),
    click clob not null,
    tempo_map clob not null
);

create table performer (
    session_id varchar(40) not null references session (id),
    id varchar(40) not null,
    position double precision not null,
    name varchar(400) not null,
    badge varchar(10) not null,
    place varchar(400) not null,
    primary key (session_id, id)
);

create table marker (
    session_id varchar(40) not null references session (id),
    id varchar(40) not null,
    name varchar(400) not null,
    bar int not null,
    primary key (session_id, id)
);

create table input (
    session_id varchar(40) not null references session (id),
    id varchar(40) not null,
    number int not null,
    source varchar(400) not null,
    performer_id varchar(40),
    mic varchar(400) not null,
    phantom varchar(10) not null,
    port_id varchar(40),
    gain_db double precision not null,
    notes varchar(400) not null,
    primary key (session_id, id),
    foreign key (session_id, performer_id) references performer (session_id, id)
);

create table track (
    session_id varchar(40) not null references session (id),
    id varchar(40) not null,
    position double precision not null,
    name varchar(400) not null,
    role varchar(10) not null,
    width int not null,
    voice_id varchar(40),
    armed boolean not null,
    hear varchar(10) not null,
    trim_db double precision,
    polarity_flipped boolean not null,
    pan double precision not null,
    fader_db double precision,
    muted boolean not null,
    soloed boolean not null,
    solo_safe boolean not null,
    primary key (session_id, id)
);

create table track_feed (
    session_id varchar(40) not null,
    track_id varchar(40) not null,
    channel int not null,
    fed_by varchar(10) not null,
    input_id varchar(40),
    port_id varchar(40),
    primary key (session_id, track_id, channel),
    foreign key (session_id, track_id) references track (session_id, id),
    foreign key (session_id, input_id) references input (session_id, id)
);

create table cue (
    session_id varchar(40) not null references session (id),
    id varchar(40) not null,
    position double precision not null,
    name varchar(400) not null,
    output varchar(40),
    level_db double precision,
    guarded boolean not null,
    primary key (session_id, id)
);

create table cue_listener (
    session_id varchar(40) not null,
    cue_id varchar(40) not null,
    performer_id varchar(40) not null,
    place int not null,
    primary key (session_id, cue_id, place),
    foreign key (session_id, cue_id) references cue (session_id, id),
    foreign key (session_id, performer_id) references performer (session_id, id)
);

create table send (
    session_id varchar(40) not null,
    cue_id varchar(40) not null,
    track_id varchar(40) not null,
    level_db double precision,
    pan double precision not null,
    pan_as_main boolean not null,
    muted boolean not null,
    tap varchar(10) not null,
    primary key (session_id, cue_id, track_id),
    foreign key (session_id, cue_id) references cue (session_id, id),
    foreign key (session_id, track_id) references track (session_id, id)
);

create table log_line (
    session_id varchar(40) not null references session (id),
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
    primary key (session_id, number)
);
