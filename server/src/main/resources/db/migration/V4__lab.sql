-- For which lesson of which lab a demonstration is, which steps of its sequence that means (null for all), and until when by the clock.
alter table demonstration add column lesson text;
alter table demonstration add column week int;
alter table demonstration add column lab int;
alter table demonstration add column steps jsonb;
alter table demonstration add column ends_at timestamptz;
alter table demonstration add column room_until timestamptz;
alter table demonstration add column room text not null default '';
create index demonstration_term on demonstration (term_id);

-- A practice round: its parts as they were made, who was at which table, and its marks as they come.
create table practice_round (
    id uuid primary key,
    term_id uuid not null references term (id),
    sequence_version_id uuid not null references sequence_version (id),
    led_by uuid not null references account (id),
    opened_at timestamptz not null,
    week int not null,
    round jsonb not null,
    calls boolean not null
);
create index practice_round_term on practice_round (term_id);

create table round_seat (
    round_id uuid not null references practice_round (id),
    table_number int not null,
    place int not null,
    account_id uuid not null references account (id),
    primary key (round_id, account_id),
    unique (round_id, table_number, place)
);

create table round_mark (
    round_id uuid not null references practice_round (id),
    id text not null,
    seq bigint generated always as identity,
    what text not null,
    leg int not null,
    at_seconds double precision not null,
    seconds double precision not null,
    primary key (round_id, id)
);

-- A class screen shows a demonstration or a practice round, whatever was begun last.
alter table class_screen add column round_id uuid references practice_round (id);
alter table class_screen add check (demonstration_id is null or round_id is null);
