-- Two who are never seated together. Nobody is told: no trail, no list, no file names them but to the one who wrote it.
create table kept_apart (
    id uuid primary key,
    one_id uuid not null references account (id),
    other_id uuid not null references account (id),
    written_by uuid not null references account (id),
    written_at timestamptz not null,
    withdrawn_at timestamptz,
    check (one_id <> other_id)
);
create index kept_apart_writer on kept_apart (written_by);

-- Partners as they were planned for labs to come. The newest plan that was not taken back counts.
create table partner_plan (
    id uuid primary key,
    term_id uuid not null references term (id),
    tables int not null check (tables between 1 and 100),
    at_table int not null check (at_table in (2, 3)),
    made_by uuid not null references account (id),
    made_at timestamptz not null,
    withdrawn_at timestamptz
);
create index partner_plan_term on partner_plan (term_id, made_at);
create table planned_seat (
    plan_id uuid not null references partner_plan (id),
    week int not null,
    lab int not null,
    table_number int not null,
    place int not null,
    account_id uuid not null references account (id),
    primary key (plan_id, week, lab, account_id)
);
create index planned_seat_account on planned_seat (account_id);

-- Who sat with whom in a lab, in the order in which they were therapist: what was done, and not what was planned.
create table lab_seat (
    term_id uuid not null references term (id),
    week int not null,
    lab int not null,
    table_number int not null,
    place int not null,
    account_id uuid not null references account (id),
    set_by uuid not null references account (id),
    set_at timestamptz not null,
    primary key (term_id, week, lab, account_id)
);
create index lab_seat_account on lab_seat (account_id);

-- Tables of practice rounds that were begun.
create view round_table as
    select r.term_id, r.id as round_id, r.opened_at, s.table_number, s.place, s.account_id from round_seat s
    join practice_round r on r.id = s.round_id
    where exists (select 1 from round_mark m where m.round_id = r.id);
