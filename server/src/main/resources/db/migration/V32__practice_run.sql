-- A recorded run that new graders mark before their first duty, with the school's own marks of it as they stood when it was chosen.
create table practice_run (
    id uuid primary key,
    practical_id uuid not null references practical (id),
    title text not null,
    words text not null,
    marks jsonb not null,
    chosen_by uuid not null references account (id),
    chosen_at timestamptz not null,
    withdrawn_at timestamptz
);
create index practice_run_practical on practice_run (practical_id);

-- The first marks of each stand: afterwards they have seen the school's.
create table practice_mark (
    run_id uuid not null references practice_run (id) on delete cascade,
    account_id uuid not null references account (id),
    marks jsonb not null,
    words text not null,
    marked_at timestamptz not null,
    primary key (run_id, account_id)
);

-- Whose duty to grade the lead opened, or shut again.
create table grader_duty (
    account_id uuid primary key references account (id),
    open boolean not null,
    decided_by uuid not null references account (id),
    decided_at timestamptz not null
);
