-- When somebody who is signed in last showed who they are: by signing in, or by their password again.

alter table session add column proved_at timestamptz;
update session set proved_at = made_at;
alter table session alter column proved_at set not null;
