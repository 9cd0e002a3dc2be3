-- Who takes one lab in the place of its teacher. It opens the term to them on that day and on no other.
create table substitute (
    term_id uuid not null references term (id),
    week int not null check (week between 1 and 60),
    lab int not null check (lab between 1 and 14),
    on_day date not null,
    account_id uuid not null references account (id),
    asked_by uuid not null references account (id),
    asked_at timestamptz not null,
    primary key (term_id, week, lab)
);
create index substitute_account_day on substitute (account_id, on_day);
