-- Kinds of parts that no other row refers to stand as documents in one table.
create table part (
    session_id varchar(40) not null references session (id),
    kind varchar(40) not null,
    id varchar(200) not null,
    document clob not null,
    primary key (session_id, kind, id)
);

insert into part select id, 'click', '', click from session;
insert into part select id, 'tempo-map', '', tempo_map from session;
insert into part select session_id, 'marker', id,
    cast(json_object('id': id, 'name': name, 'bar': bar) as varchar) from marker;
insert into part select session_id, 'acknowledgement', id,
    cast(json_object('key': id, 'reason': reason) as varchar) from acknowledgement;
insert into part select session_id, 'view', id,
    cast(json_object('id': id, 'name': name, 'hidden':
        (case when cast(hidden as varchar) = '' then '[]'
         else '["' || replace(cast(hidden as varchar), ',', '","') || '"]' end) format json) as varchar)
    from track_view;

drop table marker;
drop table acknowledgement;
drop table track_view;
alter table session drop column click;
alter table session drop column tempo_map;

-- A log is read from its end, by person, and by revision.
create index log_line_of_person on log_line (session_id, person, number);
create index log_line_since on log_line (session_id, revision);
create index rig_log_line_of_person on rig_log_line (rig_id, person, number);
create index rig_log_line_since on rig_log_line (rig_id, revision);
