import { rows } from '../../db/connection'
import { buysWithin } from '../people/brand-queries'
import type { Principal } from '../people/principal'
import type { AddressToCheck } from './address-quality'

/* The statements of address-quality.ts. */

const named = `jsonb_build_object('id', c.id, 'number', c.number, 'name', c.name)`

/** Customers that nobody can be written to at, and who do not want everything on paper. */
export const customersWithoutAddress = (who: Principal, most: number) =>
  rows<AddressToCheck['customers'][number]>(
    `select c.id, c.number, c.name
    from customer c
    where ${buysWithin(who, 'c.id')}
      and not exists (select from contact k where k.customer_id = c.id)
      and coalesce(c.billing_mail -> 'to', '[]') = '[]'
    order by c.name, c.id
    limit ${most}`,
  )

/** Those that are not plainly right; whether they are wrong the core says. */
export const oddAddresses = (who: Principal, most: number) =>
  rows<Pick<AddressToCheck, 'address' | 'customers'>>(
    `select k.email address, jsonb_agg(distinct ${named}) customers
    from contact k
    join customer c on c.id = k.customer_id
    where k.email !~* '^[a-z0-9._+-]{1,64}@([a-z0-9-]+\\.)+[a-z]{2,}$' and ${buysWithin(who, 'c.id')}
    group by k.email
    order by 1
    limit ${most}`,
  )

/** Those whose last email bounced, those of several customers, and those of people who work here. */
export const addressesToCheck = (who: Principal, most: number) =>
  rows<AddressToCheck>(
    `with known as (
      select lower(k.email) address, jsonb_agg(distinct ${named}) customers, count(distinct c.id) many
      from contact k
      join customer c on c.id = k.customer_id
      where ${buysWithin(who, 'c.id')}
      group by 1
    ), found as (
      select 1 place, 'bounced' problem, k.address, coalesce(l.reply, '') words, k.customers
      from known k
      cross join lateral (
        select r.outcome, r.reply
        from dispatch_recipient r
        where lower(r.address) = k.address
        order by r.at desc
        limit 1
      ) l
      where l.outcome in ('bounced', 'refused')
      union all
      select 2, 'our own', k.address, s.name, k.customers
      from known k
      join staff s on lower(s.email) = k.address
      union all
      select 3, 'shared', k.address, '', k.customers
      from known k
      where k.many > 1
    )
    select problem, address, words, customers
    from found
    order by place, address
    limit ${most * 3}`,
  )
