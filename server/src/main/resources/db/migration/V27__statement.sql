-- The initials of somebody who awards, typed or drawn; who changes them makes a row of its own, so that what was signed stays as it was.
create table initials (
    id uuid primary key,
    account_id uuid not null references account (id),
    typed text not null,
    -- Lines of points, x and y in turn, within a box of 0 to 1; null where they are only typed.
    drawn jsonb,
    made_at timestamptz not null
);
create index initials_account on initials (account_id, made_at);

-- Whose initials stand under which award. Another award has none of them.
create table award_signature (
    practical_id uuid not null,
    revision int not null,
    nth int not null check (nth >= 1),
    initials_id uuid not null references initials (id),
    signed_at timestamptz not null,
    primary key (practical_id, revision, nth),
    foreign key (practical_id, revision) references award (practical_id, revision) on delete cascade
);

-- What the school stated of a student, as it was when it was issued.
create table statement (
    id uuid primary key,
    code text not null unique,
    term_id uuid not null references term (id),
    student_id uuid not null references account (id),
    facts jsonb not null,
    issued_by uuid not null references account (id),
    issued_at timestamptz not null
);
create index statement_student on statement (student_id, issued_at);
create index statement_term on statement (term_id, issued_at);

create table statement_signature (
    statement_id uuid not null references statement (id),
    nth int not null check (nth >= 1),
    initials_id uuid not null references initials (id),
    signed_at timestamptz not null,
    primary key (statement_id, nth)
);

-- Each file that was handed out of it: known again by its digest, and its text by the lines.
create table statement_file (
    digest text primary key,
    statement_id uuid not null references statement (id),
    signatures int not null,
    lines jsonb not null,
    made_at timestamptz not null
);
create index statement_file_statement on statement_file (statement_id, made_at);
