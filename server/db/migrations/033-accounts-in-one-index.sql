-- All that Accounts adds up of what is open stands in one index, so that no row has to be read for it.
drop index open_item_customer_id_idx;
drop index open_item_account;
create index open_item_account on open_item (customer_id, currency, due_date)
  include (open, document_id, dispute, promised_on)
  where open <> 0;
