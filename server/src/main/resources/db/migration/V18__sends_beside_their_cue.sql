-- What a cue hears of each track stands in its row, so that thousands of changed levels are a few rows.
alter table cue add column sends clob default '[]' not null;

update cue c set sends = coalesce((
    select cast(json_arrayagg(json_object(
        'trackId': s.track_id,
        'level': (case when s.level_db is null then '"off"' else cast(s.level_db as varchar) end) format json,
        'pan': s.pan,
        'panAsMain': s.pan_as_main,
        'muted': s.muted,
        'tap': lower(replace(s.tap, '_', '-')),
        'comfort': (case when s.comfort_db is null then '"off"' else cast(s.comfort_db as varchar) end) format json)
        order by s.track_id) as varchar)
    from send s where s.session_id = c.session_id and s.cue_id = c.id), '[]');

drop table send;
