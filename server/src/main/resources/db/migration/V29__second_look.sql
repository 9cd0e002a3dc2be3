-- A practical, whether or not it counts: who worked on whom, by which plan. What is asked and written down about one outlives its counting.
create view practical_run as
    select id, term_id, student_id, partner_id, grader_id, sequence_version_id, started_at from practical where beside is null;

-- For how many days a student may ask for a second look at a mark; 0 for a school that has none.
create table second_look_days (
    days int not null check (days between 0 and 365),
    set_by uuid references account (id),
    set_at timestamptz
);
insert into second_look_days (days) values (14);

-- What a student asked to have looked at again, and what it came to. Nothing of it is changed once it stands.
create table second_look (
    id uuid primary key,
    practical_id uuid not null references practical (id),
    student_id uuid not null references account (id),
    -- The award that was asked about, and its marks as they stood.
    revision int not null,
    marks jsonb not null,
    criterion text,
    reason text not null,
    asked_at timestamptz not null,
    withdrawn_at timestamptz,
    decided_by uuid references account (id),
    decided_at timestamptz,
    decision text,
    -- The award that stands since it was decided, and its marks: the same where nothing was changed.
    decided_revision int,
    decided_marks jsonb,
    check ((decided_at is null) = (decision is null)),
    check ((decided_at is null) = (decided_revision is null)),
    check (withdrawn_at is null or decided_at is null)
);
create unique index second_look_open on second_look (practical_id) where withdrawn_at is null and decided_at is null;
create index second_look_practical on second_look (practical_id, asked_at);
create index second_look_student on second_look (student_id);
