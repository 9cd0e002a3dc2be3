-- What the body on the table must be spared today: asked before hands-on, an empty list for nothing, null where nobody asked.
alter table practical add column today jsonb;
-- Why somebody went on with a gate closed.
alter table practical add column despite text;
-- A practical that does not count, and why.
alter table practical add column void_reason text;
alter table practical add column voided_by uuid references account (id);
alter table practical add column voided_at timestamptz;
drop index practical_open;
create index practical_open on practical (grader_id) where not finished and void_reason is null;
