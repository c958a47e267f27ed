alter table input add column width int default 1 not null;
alter table input add column ports varchar(400) default '' not null;
update input set ports = port_id where port_id is not null;
alter table input drop column port_id;
alter table input add column polarity_flipped boolean default false not null;

alter table track_feed add column from_track_id varchar(40);
alter table track_feed add column from_channel int default 0 not null;
alter table track_feed add foreign key (session_id, from_track_id) references track (session_id, id);
