-- An address at which a calendar program reads somebody's calendar without signing in. Only what it ends with opens it, and of that only
-- the hash is kept: it is told once, and ends at once when it is revoked.
create table calendar_address (
    id uuid primary key,
    account_id uuid not null references account (id),
    name text not null check (length(name) between 1 and 60),
    code_hash text not null unique,
    made_at timestamptz not null,
    read_at timestamptz,
    revoked_at timestamptz
);
create index calendar_address_account on calendar_address (account_id);
