-- For how long the school keeps what; a kind without a line is kept for ever.
create table retention_rule (
    kind text primary key,
    months int not null check (months between 1 and 1200),
    set_by uuid not null references account (id),
    set_at timestamptz not null
);

-- What will go, shown since a day; it goes a week after that at the soonest, and not while somebody holds it back.
create table retention_notice (
    kind text not null,
    item text not null,
    name text not null,
    since date not null,
    shown_on date not null,
    held_by uuid references account (id),
    held_why text,
    primary key (kind, item),
    check ((held_by is null) = (held_why is null))
);
