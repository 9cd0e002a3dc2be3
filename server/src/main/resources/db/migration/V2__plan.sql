-- A term as it is planned. Immutable: a change is a new version.
create table curriculum_version (
    id uuid primary key,
    term_id uuid not null references term (id),
    version int not null,
    what text not null,
    body jsonb not null,
    created_by uuid references account (id),
    created_at timestamptz not null default now(),
    unique (term_id, version)
);

-- A term that is over: read, not written.
alter table term add column archived_at timestamptz;

-- Who teaches and who grades which region in a term.
create table duty (
    term_id uuid not null references term (id),
    account_id uuid not null references account (id),
    region text not null,
    task text not null check (task in ('teach', 'grade')),
    primary key (term_id, region, task, account_id)
);

-- What one body must be spared: the least that is needed. A note that is taken back says nothing any more.
create table client_note (
    id uuid primary key,
    account_id uuid not null references account (id),
    kind text not null,
    zone text,
    side text,
    until date,
    written_by uuid not null references account (id),
    written_at timestamptz not null default now(),
    withdrawn_at timestamptz
);
create index client_note_account on client_note (account_id) where withdrawn_at is null;

-- What a school changed in the library of techniques. Immutable: a change is a new version.
create table technique_version (
    id uuid primary key,
    technique_id text not null,
    version int not null,
    body jsonb not null,
    created_by uuid references account (id),
    created_at timestamptz not null default now(),
    unique (technique_id, version)
);
