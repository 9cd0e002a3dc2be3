-- The short code by which the phone of the one on the table joins a practical; it opens nothing once that is over.
create table handset (
    code text primary key,
    practical_id uuid not null unique references practical (id)
);
