-- Where a document goes as a rehearsal, since its routine, its text or the whole house is tried; '' for real.
create function rehearsal_for(p prepared_document) returns text language sql stable as $fn$
  select coalesce(
    nullif((select r.sentence ->> 'rehearseTo' from routine r where r.id = p.routine_id), ''),
    nullif((select b.text_rehearsals ->> p.kind from brand b where b.id = p.brand_id), ''),
    (select h.rehearsal_address from company h where h.rehearsal_since is not null),
    ''
  )
$fn$;
