/** A copied or restored database keeps silent until a supervisor has confirmed it. */
export const installation = `
alter table company add column confirm_needed boolean not null default false;
`
