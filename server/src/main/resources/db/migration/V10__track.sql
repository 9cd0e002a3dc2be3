-- The same evidence by technique, tool and position of the client.
create table roll_up (
    practical_id uuid not null references practical (id),
    student_id uuid not null references account (id),
    facet text not null check (facet in ('technique', 'tool', 'position')),
    subject text not null,
    criterion text not null,
    score double precision not null check (score between 0 and 100),
    weight double precision not null check (weight > 0 and weight <= 1),
    critical boolean not null,
    seen_at timestamptz not null,
    released boolean not null,
    primary key (practical_id, facet, subject, criterion)
);
create index roll_up_student on roll_up (student_id);

-- What became of each step that was asked in an awarded practical; an award without any is reckoned anew when the school starts.
create table step_look (
    practical_id uuid not null references practical (id),
    place int not null,
    step text not null,
    missed boolean not null,
    out_of_order boolean not null,
    over_ceiling boolean not null,
    left_silent boolean not null,
    primary key (practical_id, step)
);

-- A term that is over: what was carried into the next, as it stood.
create table carried (
    term_id uuid not null references term (id),
    from_term uuid not null references term (id),
    student_id uuid not null references account (id),
    region text not null,
    criterion text not null,
    mean double precision not null,
    variance double precision not null check (variance >= 0),
    days int not null check (days > 0),
    critical boolean not null,
    primary key (term_id, student_id, region, criterion)
);
-- Counts what Track shows anew: whoever looks on is told the number and reads again where it is another.
alter table term add column tracked bigint not null default 0;
alter table term add column closed_at timestamptz;
alter table term add column closed_by uuid references account (id);

-- Somebody whose data was erased: the row stays so that what others did still has its other side, and says nothing of anybody.
alter table account add column erased_at timestamptz;
