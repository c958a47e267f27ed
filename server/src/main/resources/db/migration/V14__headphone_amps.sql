-- What a headphone amp does to what goes to headphones; null where nobody has said it.
alter table device add column amp_gain_db double precision;
alter table device add column amp_output_ohms double precision;
alter table device add column amp_most_volts double precision;
