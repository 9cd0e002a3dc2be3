-- A day of practicals: from when to when, at how many tables. What it says by minutes is by the school's clock.
create table practical_day (
    id uuid primary key,
    term_id uuid not null references term (id),
    held_on date not null,
    from_minute int not null check (from_minute >= 0),
    until_minute int not null check (until_minute <= 1440),
    minutes int not null check (minutes between 5 and 240),
    change_over int not null check (change_over between 0 and 60),
    breaks jsonb not null,
    tables int not null check (tables between 1 and 40),
    tables_a_grader int not null check (tables_a_grader between 1 and 8),
    made_by uuid not null references account (id),
    made_at timestamptz not null,
    withdrawn_at timestamptz,
    -- Whether those it is about see where they are in it.
    shown boolean not null,
    -- Which search looks for a better timetable now, with a beat while it does: one without a beat is over. A change by hand takes it
    -- away, and a search that is not this one stores nothing.
    search uuid,
    search_beat timestamptz,
    stop_asked boolean not null,
    check (from_minute < until_minute)
);
create index practical_day_term on practical_day (term_id, held_on);

create table day_grader (
    day_id uuid not null references practical_day (id),
    account_id uuid not null references account (id),
    primary key (day_id, account_id)
);

-- Who is not there for a part of the day or all of it. Why is not asked.
create table day_away (
    day_id uuid not null references practical_day (id),
    account_id uuid not null references account (id),
    from_minute int not null,
    until_minute int not null,
    primary key (day_id, account_id, from_minute)
);

-- One practical that is to be held, where it is placed, and the one that was begun of it.
create table sitting (
    id uuid primary key,
    day_id uuid not null references practical_day (id),
    number int not null,
    student_id uuid not null references account (id),
    sequence text not null,
    minutes int not null check (minutes between 5 and 240),
    twice boolean not null,
    retake_of uuid references practical (id),
    locked boolean not null,
    begins int,
    table_number int,
    grader_id uuid references account (id),
    second_id uuid references account (id),
    client_id uuid references account (id),
    practical_id uuid references practical (id),
    check ((begins is null) = (table_number is null))
);
create index sitting_day on sitting (day_id, number);
create index sitting_student on sitting (student_id);
create index sitting_client on sitting (client_id);
create index sitting_practical on sitting (practical_id);

-- In which sensitive regions somebody agreed to be worked on, or said that they do not. Theirs to say, to change at any time, and told
-- to nobody. The newest word counts.
create table agreed_region (
    account_id uuid not null references account (id),
    region text not null,
    agreed boolean not null,
    said_at timestamptz not null,
    primary key (account_id, region)
);
