-- What a class looks at is the choice of the one who shows: the picture, the words, or both.
alter table class_screen add column look text not null default 'both' check (look in ('both', 'picture', 'words'));
