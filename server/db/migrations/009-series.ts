/** Number series for a country or a currency, and numbers taken from the order. */
export const seriesGrown = `
alter table number_series add column country text not null default '', add column currency text not null default '', add column source text not null default 'own' check (source in ('own', 'order'));
alter table number_series drop constraint number_series_kind_brand_id_key;
alter table number_series add constraint number_series_of unique (kind, brand_id, country, currency);
`
