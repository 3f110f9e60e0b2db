/** A brand has several bank accounts, each for a currency or for any, and a look of its emails. */
export const brandsGrown = `
alter table brand add column banks jsonb not null default '[]';
update brand set banks = jsonb_build_array(jsonb_build_object('name', bank_name, 'iban', iban, 'bic', bic, 'currency', '')) where iban <> '';
update paper set source = jsonb_set(source #- '{brand,bank}', '{brand,banks}', case when source #>> '{brand,bank,iban}' = '' then '[]' else jsonb_build_array((source #> '{brand,bank}') || '{"currency": ""}') end)
  where source #> '{brand,bank}' is not null;
alter table brand drop column bank_name, drop column iban, drop column bic;
alter table brand add column email_look jsonb not null default '{"heading": "line", "colour": "brand", "letters": "sans", "closing": ""}';

alter table rehearsal_paper alter column paper_id drop not null;
alter table rehearsal_paper add column document_id integer references document;
alter table rehearsal_paper add column brand_id integer references brand;
alter table rehearsal_paper add column customer_name text not null default '';
update rehearsal_paper r set brand_id = p.brand_id, customer_name = p.customer_name from paper p where p.id = r.paper_id;
alter table rehearsal_paper alter column brand_id set not null;
`
