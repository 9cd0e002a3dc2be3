-- A lab as it was held: its length and its parts, from the plan when the first was marked, and as they were put right afterwards.
create table register_lab (
    term_id uuid not null references term (id),
    week int not null check (week between 1 and 60),
    lab int not null check (lab between 1 and 7),
    minutes double precision not null check (minutes > 0 and minutes <= 480),
    parts jsonb not null,
    changed_by uuid not null references account (id),
    changed_at timestamptz not null,
    primary key (term_id, week, lab)
);

-- Who was there. Append-only; the device makes the id, so that sending twice stores once. The newest mark of a student in a lab counts;
-- one without a kind takes back what was marked.
create table register_mark (
    term_id uuid not null references term (id),
    id text not null check (length(id) between 1 and 64),
    seq bigint generated always as identity,
    week int not null,
    lab int not null,
    student_id uuid not null references account (id),
    kind text check (kind in ('present', 'absent', 'excused')),
    late_minutes double precision not null,
    left_minutes double precision,
    marked_by uuid not null references account (id),
    marked_at timestamptz not null,
    primary key (term_id, id),
    foreign key (term_id, week, lab) references register_lab (term_id, week, lab)
);
create index register_mark_newest on register_mark (term_id, week, lab, student_id, seq);
create index register_mark_student on register_mark (student_id);

-- Time that was not marked in a lab: own practice, clinic, what was made up. What is taken back stays, and counts no more.
create table entered_hours (
    id uuid primary key,
    term_id uuid not null references term (id),
    student_id uuid not null references account (id),
    kind text not null,
    minutes double precision not null check (minutes > 0 and minutes <= 1440),
    on_day date not null,
    week int,
    lab int,
    note text not null check (length(note) <= 200),
    entered_by uuid not null references account (id),
    entered_at timestamptz not null,
    withdrawn_by uuid references account (id),
    withdrawn_at timestamptz,
    check ((week is null) = (lab is null))
);
create index entered_hours_student on entered_hours (term_id, student_id);

-- Since when somebody is in a term, where that is not its beginning, and until when those were who left.
alter table enrolment add column joined_on date;
create table left_term (
    term_id uuid not null references term (id),
    account_id uuid not null references account (id),
    joined_on date,
    left_on date not null,
    primary key (term_id, account_id)
);
