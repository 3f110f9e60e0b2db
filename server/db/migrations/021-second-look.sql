-- What a second person has to send, and who asked for one.

alter table company add column second_look jsonb not null
  default '{"above": null, "newAddress": false, "newBank": false, "many": null}';

-- who changed the bank accounts, until another one confirms them
alter table brand add column banks_changed jsonb;

-- why a second person has to send it; null where one is enough
alter table prepared_document add column second_look text;

-- who asked for a second person, and for which state of the document
alter table prepared_document add column asked jsonb;
