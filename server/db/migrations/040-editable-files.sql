-- Whether customers who want it get documents that book nothing as a text that can be edited.
alter table company add column editable_files boolean not null default false;
