-- Where the clock on the wall of the school is, by its name in the tz database; null for a school of before until it is opened next.
alter table school add column zone text;
