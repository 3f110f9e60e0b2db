import { useLocalStorage } from '@vueuse/core'
import { reactive, ref, watch } from 'vue'
import { useSession } from '../../stores/session'
import type { Carriage } from '../../../core/enclosures/carriage'
import { tidy, type Body, type Line } from '../../../core/emailtexts/nodes'
import type { EmailView, EmailWords } from '../../contract'

/** An email as it stands in its fields. */
export interface EmailInFields {
  subject: Line
  text: Body
  cc: string
  bcc: string
  /** A sender's id as text, '0' for the brand itself; '' for the usual one. */
  sender: string
  replyTo: string
  attach: Carriage | ''
  leftOut: number[]
  added: { id: number; name: string; size: number }[]
}

/** What is being written, and what stood there when it was begun. */
interface Begun {
  form: EmailInFields
  from: EmailInFields
}

const inFields = (words: EmailWords, email: EmailView | null): EmailInFields => ({
  subject: tidy(words.subject),
  text: tidy(words.text),
  cc: words.cc.join(', '),
  bcc: words.bcc.join(', '),
  sender: String(words.senderId ?? ''),
  replyTo: words.replyTo ?? '',
  attach: words.attach ?? '',
  leftOut: email?.files.flatMap((file) => (file.enclosure?.leftOut ? [file.enclosure.id] : [])) ?? [],
  added:
    email?.files.flatMap((file) =>
      file.enclosure?.source === 'once'
        ? [{ id: file.enclosure.id, name: file.name, size: file.size ?? 0 }]
        : [],
    ) ?? [],
})

const same = (one: EmailInFields, other: EmailInFields) => JSON.stringify(one) === JSON.stringify(other)

const listOf = (written: string) => [...new Set(written.split(/[\s,;]+/).filter(Boolean))]

/**
 * An email that is being written for one sending. It is kept in this browser until it is used or given up: it
 * survives a click elsewhere, and a night.
 * @param name what it is the email of
 */
export function useBegunEmail(name: string, words: EmailWords, email: EmailView | null) {
  let opened = inFields(words, email)
  const begun = useLocalStorage<Begun | null>(`email of ${name} by ${useSession().user?.email}`, null, {
    serializer: { read: (text) => JSON.parse(text) as Begun, write: (one) => JSON.stringify(one) },
  })
  const form = reactive<EmailInFields>({ ...structuredClone(opened), ...begun.value?.form })
  /** It was begun before and never used. */
  const goesOn = ref(begun.value !== null)
  /** Somebody wrote it otherwise since it was begun. */
  const otherwise = begun.value !== null && !same(begun.value.from, opened)
  watch(form, () => {
    begun.value = same(form, opened) ? null : { form: { ...form }, from: opened }
  })
  return {
    form,
    goesOn,
    otherwise,
    anew: () => {
      Object.assign(form, structuredClone(opened))
      goesOn.value = false
    },
    /** Another text takes the place of what stands there. */
    supply: (words: EmailWords, email: EmailView | null) => {
      opened = inFields(words, email)
      Object.assign(form, structuredClone(opened))
      goesOn.value = false
    },
    /** It was used: what was begun is over. */
    used: () => {
      begun.value = null
    },
    changed: () => !same(form, opened),
    written: () => ({
      subject: form.subject,
      text: form.text,
      cc: listOf(form.cc),
      bcc: listOf(form.bcc),
      senderId: form.sender === '' ? null : Number(form.sender),
      replyTo: form.replyTo.trim(),
      attach: form.attach,
      leftOut: form.leftOut,
      added: form.added.map(({ id }) => id),
    }),
  }
}

/** The fields of an email that a refusal can be about. */
export const emailFields = ['subject', 'text', 'cc', 'bcc', 'senderId', 'replyTo', 'files'] as const
