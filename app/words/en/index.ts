import { accounts } from './accounts'
import { bank } from './bank'
import { begin } from './begin'
import { brands } from './brands'
import { carriers } from './carriers'
import { common } from './common'
import { company } from './company'
import { customers } from './customers'
import { dispatches } from './dispatches'
import { drafts } from './drafts'
import { emailtexts } from './emailtexts'
import { enclosures } from './enclosures'
import { fields } from './fields'
import { frame } from './frame'
import { imports } from './imports'
import { items } from './items'
import { line } from './line'
import { list } from './list'
import { mail } from './mail'
import { orders } from './orders'
import { ownFields } from './ownFields'
import { paper } from './paper'
import { people } from './people'
import { register } from './register'
import { reminders } from './reminders'
import { returns } from './returns'
import { routines } from './routines'
import { runs } from './runs'
import { shipping } from './shipping'
import { texts } from './texts'
import { variants } from './variants'
import { verbs } from './verbs'

/** Every word of the interface in English, by screen. */
export const en = {
  accounts,
  bank,
  begin,
  brands,
  carriers,
  common,
  company,
  customers,
  dispatches,
  drafts,
  emailtexts,
  enclosures,
  fields,
  frame,
  imports,
  items,
  line,
  list,
  mail,
  orders,
  ownFields,
  paper,
  people,
  register,
  reminders,
  returns,
  routines,
  runs,
  shipping,
  texts,
  variants,
  verbs,
}
