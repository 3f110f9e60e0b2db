-- Emails that are too large may go in several.
alter table company drop constraint company_too_large_check;
alter table company add constraint company_too_large_check check (too_large in ('stop', 'link', 'split'));

-- of several emails over which the files of one were spread, which this is, and its files
alter table dispatch add column part jsonb;

-- one statement for all brands of one company
alter table company add column statements_together boolean not null default false;

-- the part of the country whose public holidays are kept; empty for those of the whole country
alter table company add column holiday_region text not null default '';

-- The brands whose books the statement of an account tells of, its own among them; "leads" is the account that tells of
-- them all, one of each customer and currency. One brand each, unless the house wants all of one company together.
create view account_stated as
select a.id account_id, o.brand_id, first_value(o.id) over (partition by a.id order by o.brand_id) leads
from account a
join brand b on b.id = a.brand_id
join account o on o.customer_id = a.customer_id and o.currency = a.currency
join brand p on p.id = o.brand_id
where o.brand_id = a.brand_id
  or (
    (select statements_together from company)
    and p.legal_name = b.legal_name and p.tax_number = b.tax_number
  );
