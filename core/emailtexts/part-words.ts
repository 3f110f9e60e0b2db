import type { Language } from '../money/format'
import type { EmailPart } from '../enclosures/parts'

/** What an email says that is one of several, after its subject and below its text. */
export const partWords: Readonly<
  Record<Language, (part: Pick<EmailPart, 'place' | 'of'>) => { subject: string; text: string }>
> = {
  en: ({ place, of }) => ({
    subject: `(${place} of ${of})`,
    text: `This is email ${place} of ${of}: the files were too large for one.`,
  }),
  de: ({ place, of }) => ({
    subject: `(${place} von ${of})`,
    text: `Dies ist E-Mail ${place} von ${of}: Die Dateien waren zu groß für eine.`,
  }),
  fr: ({ place, of }) => ({
    subject: `(${place} sur ${of})`,
    text: `Ceci est l’e-mail ${place} sur ${of} : les fichiers étaient trop lourds pour un seul.`,
  }),
}
