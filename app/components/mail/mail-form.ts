import type { BodyOf } from '../../composables/api'
import type { MailAccountView } from '../../contract'

/** A mail account as it is written. */
export interface MailForm {
  name: string
  host: string
  port: string
  security: MailAccountView['security']
  userName: string
  password: string
  brandIds: number[]
}

export const mailFormOf = (account?: MailAccountView): MailForm => ({
  name: account?.name ?? 'Main account',
  host: account?.host ?? '',
  port: String(account?.port ?? 587),
  security: account?.security ?? 'starttls',
  userName: account?.userName ?? '',
  password: '',
  brandIds: account?.brandIds ?? [],
})

/** The usual port of each way (RFC 8314, RFC 6409). */
export const usualPort: Readonly<Record<MailAccountView['security'], string>> = {
  starttls: '587',
  tls: '465',
  none: '25',
}

/** A form as it is saved: a password that is left empty stays as it is. */
export function writtenMail(form: MailForm): BodyOf<'/api/mail-accounts', 'post'> {
  const { password, port, ...rest } = form
  return { ...rest, port: Number(port), ...(password ? { password } : {}) }
}
