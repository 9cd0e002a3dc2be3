-- What an award was given on: the scores with their findings as they were computed then, what it says for Track, and the number of the
-- rules. It is never computed anew. Unknown for awards from before.
alter table award add column judged jsonb;
create or replace view newest_award as
    select practical_id, revision, body, result, mean, released, awarded_by, awarded_at, events, judged from award a
    where not exists (select 1 from award b where b.practical_id = a.practical_id and b.revision > a.revision);
