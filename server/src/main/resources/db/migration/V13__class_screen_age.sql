-- An address that a class knows does not stay good for ever.
alter table class_screen add column made_at timestamptz not null default now();
