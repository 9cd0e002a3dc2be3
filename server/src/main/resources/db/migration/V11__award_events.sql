-- How many events an award rests on: what reaches the school afterwards is not counted by it, and the review says so.
-- Unknown for awards from before.
alter table award add column events int;
