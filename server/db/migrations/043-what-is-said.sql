-- What Clothespin says is kept as the key of its sentence with its values, beside its English, so that it can be read
-- in any language (core/said). What was kept before stays what it was: words as they were written.
create function pg_temp.written(words text) returns jsonb language sql immutable as $fn$
  select case
    when words <> '' then
      jsonb_build_object('says', 'list/one', 'values', jsonb_build_object('first', words), 'words', words)
  end
$fn$;

alter table history add column told jsonb;

alter table prepared_document
  alter column problem type jsonb using pg_temp.written(problem),
  alter column second_look type jsonb using pg_temp.written(second_look);
update prepared_document
set changes = (
  select jsonb_agg(
    jsonb_build_object(
      'what', pg_temp.written(c ->> 'what'),
      'before', pg_temp.written(c ->> 'before'),
      'now', pg_temp.written(c ->> 'now')
    )
    order by place
  )
  from jsonb_array_elements(changes) with ordinality as x (c, place)
)
where jsonb_array_length(changes) > 0;
update prepared_document
set baseline = jsonb_set(baseline, '{problem}', pg_temp.written(baseline ->> 'problem'))
where baseline ->> 'problem' <> '';

alter table evaluation
  alter column reason drop not null,
  alter column reason type jsonb using pg_temp.written(reason);
update evaluation
set seen = (
  select jsonb_agg(
    jsonb_build_object(
      'asks', pg_temp.written(s ->> 'words'),
      'holds', s -> 'holds',
      'seen', coalesce(pg_temp.written(s ->> 'seen'), pg_temp.written('–'))
    )
    order by place
  )
  from jsonb_array_elements(seen) with ordinality as x (s, place)
)
where jsonb_typeof(seen) = 'array' and jsonb_array_length(seen) > 0;

alter table send_run_document alter column reason type jsonb using pg_temp.written(reason);

alter table statement_run_account
  alter column reason drop default,
  alter column reason drop not null,
  alter column reason type jsonb using pg_temp.written(reason);

alter table import
  alter column reason drop default,
  alter column reason drop not null,
  alter column reason type jsonb using pg_temp.written(reason);
alter table import_row
  alter column note drop default,
  alter column note drop not null,
  alter column note type jsonb using case
    when note = 'Another line of this order is wrong.' then
      jsonb_build_object('says', 'row/other-line', 'values', '{}'::jsonb, 'words', note)
    else pg_temp.written(note)
  end;

alter table bank_file
  alter column reason drop default,
  alter column reason drop not null,
  alter column reason type jsonb using pg_temp.written(reason);
alter table bank_entry alter column reason type jsonb using pg_temp.written(reason);

alter table dispatch_recipient
  alter column source drop not null,
  alter column source type jsonb using pg_temp.written(source);

alter table label alter column service_source type jsonb using pg_temp.written(service_source);
