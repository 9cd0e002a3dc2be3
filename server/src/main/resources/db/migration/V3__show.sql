-- The time a demonstration has where it is not the sequence's own.
alter table demonstration add column slot_seconds double precision;

-- Marks made in the same instant stay in the order they came; why a step was skipped, and what a re-fit left of each.
alter table demonstration_mark add column seq bigint generated always as identity;
alter table demonstration_mark add column reason text;
alter table demonstration_mark add column seconds jsonb;

-- What a class looks at: one screen for each who shows, at an address short enough to type. It shows the demonstration, and nobody's record.
create table class_screen (
    code text primary key,
    account_id uuid not null unique references account (id),
    demonstration_id uuid references demonstration (id)
);
