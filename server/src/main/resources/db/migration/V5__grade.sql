-- The order in which events came to be stored, so that a device can ask for what another wrote since.
alter table event add column nth bigint generated always as identity;
create index event_nth on event (practical_id, nth);

-- What a practical may take, in seconds, where somebody has said.
alter table practical add column limit_seconds double precision check (limit_seconds > 0);
create index practical_open on practical (grader_id) where not finished;
