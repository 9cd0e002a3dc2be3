-- Sequences, profiles, techniques and the plans of terms are versions of one kind of thing. Immutable: a change is a new version.
create table document_version (
    id uuid primary key,
    kind text not null check (kind in ('sequence', 'profile', 'technique', 'curriculum')),
    -- Id of the document; of a plan, that of its term.
    document text not null,
    number int not null check (number > 0),
    name text not null,
    -- Of a sequence; else empty.
    region text not null,
    what text not null,
    body jsonb not null,
    created_by uuid references account (id),
    created_at timestamptz not null default now(),
    unique (kind, document, number)
);
insert into document_version (id, kind, document, number, name, region, what, body, created_by, created_at)
select id, 'sequence', sequence_id, version, name, region, what, body, created_by, created_at from sequence_version;
insert into document_version (id, kind, document, number, name, region, what, body, created_at)
select id, 'profile', profile_id, version, name, '', 'Saved', body, created_at from profile_version;
insert into document_version (id, kind, document, number, name, region, what, body, created_by, created_at)
select id, 'technique', technique_id, version, coalesce(body ->> 'name', technique_id), '', 'Saved', body, created_by, created_at from technique_version;
insert into document_version (id, kind, document, number, name, region, what, body, created_by, created_at)
select id, 'curriculum', term_id::text, version, coalesce(body ->> 'name', ''), '', what, body, created_by, created_at from curriculum_version;

alter table practical
    drop constraint practical_sequence_version_id_fkey,
    drop constraint practical_profile_version_id_fkey,
    add foreign key (sequence_version_id) references document_version (id),
    add foreign key (profile_version_id) references document_version (id);
alter table demonstration
    drop constraint demonstration_sequence_version_id_fkey,
    drop constraint demonstration_profile_version_id_fkey,
    add foreign key (sequence_version_id) references document_version (id),
    add foreign key (profile_version_id) references document_version (id);
alter table practice_round
    drop constraint practice_round_sequence_version_id_fkey,
    add foreign key (sequence_version_id) references document_version (id);
drop table sequence_version, profile_version, technique_version, curriculum_version;
