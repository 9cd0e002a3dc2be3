-- How many taps (events but for where the eyes were) an award rests on: what reaches the school afterwards is not counted by it, and the review says so.
-- Unknown for awards from before.
alter table award add column events int;
