-- A source whose gain nobody has said yet has none.
alter table input alter column gain_db set null;
