-- When a carrier is asked again what it carries and for how much; at once for one that is known already.
alter table carrier add column ask_services_at timestamptz not null default now();
