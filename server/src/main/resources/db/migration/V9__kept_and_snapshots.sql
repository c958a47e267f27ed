-- What is set up once and used again, each version of it: templates, kits, settings, and which templates that ship were put in.
create table kept (
    kind varchar(20) not null,
    id varchar(40) not null,
    version bigint not null,
    kept_at timestamp with time zone not null,
    document clob not null,
    primary key (kind, id, version)
);

insert into kept select 'template', id, 1, kept_at, document from template;

drop table template;

-- States of sessions to go back to.
create table snapshot (
    session_id varchar(40) not null references session (id),
    id varchar(40) not null,
    name varchar(1100) not null,
    by_itself boolean not null,
    made_at timestamp with time zone not null,
    document clob not null,
    primary key (session_id, id)
);

-- When somebody last changed a session.
alter table session add column used_at timestamp with time zone;

update session s set used_at = (select max(l.made_at) from log_line l where l.session_id = s.id);
