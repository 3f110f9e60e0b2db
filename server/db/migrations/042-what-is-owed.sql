-- What Accounts adds up is told from credits by the index, not row by row.
create index open_item_owed on open_item (customer_id, currency, due_date)
  include (open, document_id, dispute, promised_on)
  where open > 0;
drop index open_item_account;
create index open_item_account on open_item (customer_id, currency, due_date) where open <> 0;
