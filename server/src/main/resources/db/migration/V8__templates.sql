-- Sessions to begin others from, as documents.
create table template (
    id varchar(40) not null primary key,
    kept_at timestamp with time zone not null,
    document clob not null
);
