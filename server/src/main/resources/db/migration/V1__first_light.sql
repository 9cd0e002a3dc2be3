-- Spring Session's own tables (schema-postgresql.sql of spring-session-jdbc), kept by Flyway like all others.
create table spring_session (
    primary_id char(36) not null primary key,
    session_id char(36) not null,
    creation_time bigint not null,
    last_access_time bigint not null,
    max_inactive_interval int not null,
    expiry_time bigint not null,
    principal_name varchar(100)
);
create unique index spring_session_ix1 on spring_session (session_id);
create index spring_session_ix2 on spring_session (expiry_time);
create index spring_session_ix3 on spring_session (principal_name);
create table spring_session_attributes (
    session_primary_id char(36) not null references spring_session (primary_id) on delete cascade,
    attribute_name varchar(200) not null,
    attribute_bytes bytea not null,
    primary key (session_primary_id, attribute_name)
);

create table account (
    id uuid primary key,
    name text not null check (length(name) between 1 and 200),
    sign_in text not null,
    password text not null,
    role text not null check (role in ('lead', 'instructor', 'grader', 'student')),
    created_at timestamptz not null default now()
);
-- Sign-ins differ by more than upper and lower case.
create unique index account_sign_in on account (lower(sign_in));

create table profile_version (
    id uuid primary key,
    profile_id text not null,
    version int not null,
    name text not null,
    body jsonb not null,
    created_at timestamptz not null default now(),
    unique (profile_id, version)
);

-- One school a database.
create table school (
    one boolean primary key default true check (one),
    name text not null check (length(name) between 1 and 200),
    profile_id text not null
);

create table term (
    id uuid primary key,
    name text not null,
    cohort text not null,
    starts_on date not null,
    weeks int not null check (weeks between 1 and 60)
);

-- Who teaches, grades or learns in a term: the role says which.
create table enrolment (
    term_id uuid not null references term (id),
    account_id uuid not null references account (id),
    primary key (term_id, account_id)
);
create index enrolment_account on enrolment (account_id);

-- Immutable: a change is a new version.
create table sequence_version (
    id uuid primary key,
    sequence_id text not null,
    version int not null,
    name text not null,
    region text not null,
    slot_seconds double precision not null,
    what text not null,
    body jsonb not null,
    created_by uuid references account (id),
    created_at timestamptz not null default now(),
    unique (sequence_id, version)
);

create table demonstration (
    id uuid primary key,
    term_id uuid references term (id),
    sequence_version_id uuid not null references sequence_version (id),
    profile_version_id uuid not null references profile_version (id),
    shown_by uuid not null references account (id),
    started_at timestamptz not null default now()
);
-- Append-only.
create table demonstration_mark (
    demonstration_id uuid not null references demonstration (id),
    id text not null,
    what text not null,
    index int not null,
    at_seconds double precision not null,
    primary key (demonstration_id, id)
);

create table practical (
    id uuid primary key,
    term_id uuid not null references term (id),
    student_id uuid not null references account (id),
    partner_id uuid references account (id),
    grader_id uuid not null references account (id),
    sequence_version_id uuid not null references sequence_version (id),
    profile_version_id uuid not null references profile_version (id),
    asked jsonb not null,
    sides text not null,
    table_number int not null default 1,
    started_at timestamptz not null,
    finished boolean not null default false
);
create index practical_student on practical (student_id, started_at);
create index practical_term on practical (term_id, started_at);

-- Append-only; the device makes the id, so that sending twice stores once.
create table event (
    practical_id uuid not null references practical (id),
    id text not null,
    device text not null,
    seq bigint not null,
    at_ms bigint not null,
    wall timestamptz,
    kind text not null,
    data jsonb not null,
    stored_at timestamptz not null default now(),
    primary key (practical_id, id)
);

create table rating (
    practical_id uuid primary key references practical (id),
    value double precision not null check (value between 0 and 100),
    given_by uuid not null references account (id),
    given_at timestamptz not null default now()
);

-- Every award stays; the newest revision counts.
create table award (
    practical_id uuid not null references practical (id),
    revision int not null,
    body jsonb not null,
    result text not null,
    mean double precision,
    released boolean not null,
    awarded_by uuid not null references account (id),
    awarded_at timestamptz not null default now(),
    primary key (practical_id, revision)
);

-- What an award says of each criterion: written with it, read by Track.
create table evidence (
    practical_id uuid not null references practical (id),
    student_id uuid not null references account (id),
    region text not null,
    criterion text not null,
    score double precision not null check (score between 0 and 100),
    computed double precision,
    weight double precision not null check (weight > 0 and weight <= 1),
    critical boolean not null,
    seen_at timestamptz not null,
    released boolean not null,
    primary key (practical_id, region, criterion)
);
create index evidence_student on evidence (student_id);

create table audit (
    id bigint generated always as identity primary key,
    at timestamptz not null default now(),
    account_id uuid references account (id),
    what text not null,
    subject uuid,
    detail text not null default ''
);
create index audit_subject on audit (subject);
