-- Routines of the clock: when each has its next turn, and the turns that were taken. The email of the morning.

alter table routine add column next_turn timestamptz;

create table routine_turn (
  routine_id integer not null references routine,
  -- when it was due
  at timestamptz not null,
  taken_at timestamptz not null,
  -- how many turns before it were missed and passed over
  passed integer not null,
  primary key (routine_id, at)
);

-- Movements of the bank that nobody has booked or set aside: whoever they name is not reminded.
create index bank_entry_waiting on bank_entry (id) where state in ('sure', 'unsure', 'strange', 'to book');

create index event_of_one_routine on event (only_routine, at) where only_routine is not null;

alter table company add column morning jsonb, add column morning_sent date;
