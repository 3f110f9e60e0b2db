import { countryNames, countryOf } from '../../../core/countries'

const known = countryNames.map((name) => `('${name.replaceAll("'", "''")}', '${countryOf(name)}')`).join(', ')

/** The letters of a kept name; what is no country's name stays as it was written. */
const letters = (value: string) =>
  `coalesce((select k.code from known_country k where k.name = ${value}), ${value})`

/** Countries are kept by their two letters (ISO 3166-1), not by a name. */
export const countries = `
create temp table known_country on commit drop as
  select * from (values ${known}) k (name, code);

update company set country = ${letters('country')};
update brand set country = ${letters('country')};
update number_series set country = ${letters('country')};
update customer set
  country = ${letters('country')},
  billing = case
    when billing ->> 'country' is null then billing
    else jsonb_set(billing, '{country}', to_jsonb(${letters("billing ->> 'country'")}))
  end;

-- what routines test, then and now
update event set facts = jsonb_set(facts, '{country}', to_jsonb(${letters("facts ->> 'country'")}))
where facts ->> 'country' is not null;

create function pg_temp.with_letters(sentence jsonb) returns jsonb language sql as $fn$
  select case
    when jsonb_typeof(sentence -> 'conditions') <> 'array' then sentence
    else jsonb_set(sentence, '{conditions}', coalesce((
      select jsonb_agg(case
        when c ->> 'about' = 'country' then jsonb_set(c, '{values}', coalesce((
          select jsonb_agg(${letters('v')} order by o) from jsonb_array_elements_text(c -> 'values') with ordinality x (v, o)
        ), '[]'))
        else c
      end order by n)
      from jsonb_array_elements(sentence -> 'conditions') with ordinality y (c, n)
    ), '[]'))
  end
$fn$;
update routine set sentence = pg_temp.with_letters(sentence);
update routine_version set sentence = pg_temp.with_letters(sentence);
`
