/**
 * What an email is for, and so which text it has: a document's first email, or one that carries a document once more
 * because somebody asked for it.
 */
export const emailPurposes = ['first', 'again'] as const

export type EmailPurpose = (typeof emailPurposes)[number]
