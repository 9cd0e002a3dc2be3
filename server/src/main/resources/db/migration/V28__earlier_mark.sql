-- Marks of before that came out of somebody's table: taken over as one, and undone as one.
create table marks_import (
    id uuid primary key,
    term_id uuid not null references term (id),
    title text not null,
    file_name text not null,
    -- SHA-256 of the file, so that nobody takes it twice.
    digest text not null,
    -- SHA-256 of what its columns are called: a table of the same program is read the same way the next time.
    likeness text not null,
    mapping jsonb not null,
    marks int not null,
    left_out int not null,
    imported_by uuid not null references account (id),
    imported_at timestamptz not null,
    undone_by uuid references account (id),
    undone_at timestamptz
);
create index marks_import_term on marks_import (term_id, imported_at);
create index marks_import_likeness on marks_import (likeness, imported_at);

create table earlier_mark (
    import_id uuid not null references marks_import (id),
    -- As the file counts, from 1.
    line int not null,
    cell int not null,
    name text not null,
    -- Nobody where they were never of this school.
    student_id uuid references account (id),
    day date,
    region text,
    criterion text,
    what text not null,
    grader text not null,
    given text not null,
    points double precision not null check (points between 0 and 100),
    primary key (import_id, line, cell)
);
create index earlier_mark_student on earlier_mark (student_id);
