import { t } from '../../words'
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
  perMinute: string
  perHour: string
  perDay: string
  mostMegabytes: string
  brandIds: number[]
}

export const mailFormOf = (account?: MailAccountView): MailForm => ({
  name: account?.name ?? t('mail.mainAccount'),
  host: account?.host ?? '',
  port: String(account?.port ?? 587),
  security: account?.security ?? 'starttls',
  userName: account?.userName ?? '',
  password: '',
  perMinute: String(account?.perMinute ?? ''),
  perHour: String(account?.perHour ?? ''),
  perDay: String(account?.perDay ?? ''),
  mostMegabytes: String(account?.mostMegabytes ?? 20),
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
  const { password, port, perMinute, perHour, perDay, mostMegabytes, ...rest } = form
  const most = (text: string) => (text.trim() ? Number(text) : null)
  return {
    ...rest,
    port: Number(port),
    mostMegabytes: Number(mostMegabytes),
    perMinute: most(perMinute),
    perHour: most(perHour),
    perDay: most(perDay),
    ...(password ? { password } : {}),
  }
}
