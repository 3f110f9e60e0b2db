-- Tokens end on a day; a session says on what device somebody signed in.

alter table api_token add column ends_on date;
alter table session add column device text not null default '';

-- A second factor (TOTP, RFC 6238): its sealed secret, the last step that was used, and codes for a lost phone.
alter table staff add column sealed_second_factor text not null default '';
alter table staff add column second_factor_step bigint;

create table recovery_code (
  staff_id integer not null references staff on delete cascade,
  hash text not null,
  used_at timestamptz,
  primary key (staff_id, hash)
);
