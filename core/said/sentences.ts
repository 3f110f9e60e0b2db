import type { NamesIn, Value } from '../filled'
import { counts } from './counts'
import { customers } from './customers'
import { dispatch } from './dispatch'
import { documents } from './documents'
import { guide } from './guide'
import { importFields } from './import-fields'
import { historyDocuments } from './history-documents'
import { historyGoods } from './history-goods'
import { historyOrders } from './history-orders'
import { historySending } from './history-sending'
import { imports } from './imports'
import { input } from './input'
import { kinds } from './kinds'
import { letters } from './letters'
import { line } from './line'
import { lists } from './lists'
import { mail } from './mail'
import { names } from './names'
import { receivables } from './receivables'
import { register } from './register'
import { routines } from './routines'
import { sentence } from './sentence'
import { shipping } from './shipping'
import { state } from './state'

/** Every sentence that Clothespin says of its own accord, by its key: the subject, then what is said. */
export const saidSentences = {
  ...counts,
  ...customers,
  ...dispatch,
  ...documents,
  ...guide,
  ...historyDocuments,
  ...historyGoods,
  ...historyOrders,
  ...historySending,
  ...importFields,
  ...imports,
  ...input,
  ...kinds,
  ...letters,
  ...line,
  ...lists,
  ...mail,
  ...names,
  ...receivables,
  ...register,
  ...routines,
  ...sentence,
  ...shipping,
  ...state,
} as const

export type SaidKey = keyof typeof saidSentences

/** The values of a sentence, where it has any. */
export type ValuesOf<Key extends SaidKey> = [NamesIn<(typeof saidSentences)[Key]>] extends [never]
  ? []
  : [values: Record<NamesIn<(typeof saidSentences)[Key]>, Value>]
