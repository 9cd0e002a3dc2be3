-- What a safety stop asks to be written down. Once it is signed it is changed no more; what is to be added stands below it.
create table incident (
    id uuid primary key,
    practical_id uuid not null references practical (id),
    -- Of the first tap of the stop, since the run began.
    at_ms bigint not null,
    student_id uuid not null references account (id),
    who text not null,
    what text not null,
    done text not null,
    told text not null,
    revision int not null,
    written_by uuid not null references account (id),
    written_at timestamptz not null,
    signed_by uuid references account (id),
    signed_at timestamptz,
    unique (practical_id, at_ms),
    check ((signed_by is null) = (signed_at is null))
);
create index incident_student on incident (student_id);

-- Who may read it besides the lead and who wrote it.
create table incident_named (
    incident_id uuid not null references incident (id) on delete cascade,
    account_id uuid not null references account (id),
    primary key (incident_id, account_id)
);
create index incident_named_account on incident_named (account_id);

create table incident_addition (
    incident_id uuid not null references incident (id) on delete cascade,
    nth int not null check (nth >= 1),
    words text not null,
    added_by uuid not null references account (id),
    added_at timestamptz not null,
    primary key (incident_id, nth)
);

create index event_safety_stop on event (practical_id) where kind = 'safety-stop';
