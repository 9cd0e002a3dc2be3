-- How the body is drawn on every screen of the school.
alter table school add column build text not null default 'middle' check (build in ('middle', 'heavy'));
alter table school add column skin text not null default 'sand' check (skin in ('light', 'sand', 'tan', 'brown', 'dark'));
