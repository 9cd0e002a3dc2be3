-- What is shown again, and only that.
alter table practical add column retake_of uuid references practical (id);
-- A whole practical, or two minutes of one criterion.
alter table practical add column kind text not null default 'practical' check (kind in ('practical', 'spot-check'));
alter table practical add column criterion text;
-- A second grader's practical of the same run; each is blind to the other until both are awarded.
alter table practical add column beside uuid unique references practical (id);
-- What a student thought of the own run before the result was shown; the first word stands.
create table self_mark (
    practical_id uuid primary key references practical (id),
    body jsonb not null,
    given_at timestamptz not null default now()
);
