-- One case rule for what people sign in with, kept beside it, so that every reader has the same.
alter table account add column sign_in_key text;
update account set sign_in_key = lower(normalize(sign_in, nfkc));
alter table account alter column sign_in_key set not null;
create unique index account_sign_in_key on account (sign_in_key);
drop index account_sign_in;

-- Somebody who is shut out: at once, or from a day on.
alter table account add column disabled_at timestamptz;
alter table account add column expires_on date;

-- Tries that failed, by name, by address, by both or by a device that is known: shared by all servers of a school.
create table sign_in_try (
    key text primary key,
    failed int not null,
    last timestamptz not null
);
create index sign_in_try_last on sign_in_try (last);

-- Devices on which somebody signed in before; of the token that the browser keeps there is only a hash.
create table known_device (
    token text primary key,
    account_id uuid not null references account (id) on delete cascade,
    used_at timestamptz not null
);
create index known_device_account on known_device (account_id);

-- Who sent an event; null for a handset, and for what earlier versions stored.
alter table event add column account_id uuid references account (id);

-- What was done, and by whom, also where nobody was signed in or no record of a person is concerned.
alter table audit add column address text;
create index audit_account on audit (account_id, id);
