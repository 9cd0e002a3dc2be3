-- Pictures of the school's own, shown with a step: encoded anew, at most 300 kB, named by what they show.
create table picture (
    id text primary key check (id ~ '^[0-9a-f]{32}$'),
    width integer not null check (width > 0),
    height integer not null check (height > 0),
    jpeg bytea not null check (octet_length(jpeg) <= 300000),
    added_by uuid not null references account (id),
    added_at timestamptz not null,
    statement text not null
);
