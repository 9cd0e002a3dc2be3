-- Which kinds of documents there are is said once, by those who keep them (Kind).
alter table document_version drop constraint document_version_kind_check;
