-- What stands at the head of the papers that the school hands out: its logo, and lines such as an address or a licence.
create table letterhead (
    lines text not null,
    logo bytea check (octet_length(logo) <= 300000),
    set_by uuid references account (id),
    set_at timestamptz
);
insert into letterhead (lines) values ('');
