-- A student watches beside the grader and writes down what they see: a quarter of a piece of evidence, once it is awarded.
alter table practical drop constraint practical_kind_check;
alter table practical add constraint practical_kind_check check (kind in ('practical', 'spot-check', 'peer-look'));
alter table practical add column watches uuid references practical (id);
create index practical_watches on practical (watches) where watches is not null;
