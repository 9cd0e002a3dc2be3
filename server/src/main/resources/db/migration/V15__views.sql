-- What one feature lets the others read of its tables; all else of them is its own (ArchitectureTest keeps it so).

-- Somebody, without what they sign in with.
create view person as
    select id, name, role from account;

-- A practical that counts: not void, and of two graders' halves of a run the first. What it comes to is in evidence, roll_up and
-- step_look.
create view counted_practical as
    select id, term_id, student_id, partner_id, grader_id, sequence_version_id, kind, criterion, started_at, finished from practical
    where void_reason is null and beside is null;

-- The award that stands. By an anti-join and not by distinct on: a practical's own is then found by its index.
create view newest_award as
    select practical_id, revision, body, result, mean, released, awarded_by, awarded_at, events from award a
    where not exists (select 1 from award b where b.practical_id = a.practical_id and b.revision > a.revision);
