import { t } from '../words'
import { plural } from './format'
import type { RunHeader, RunPart } from '../contract'

/** How far a Send is, in a word or two. */
export function runState(run: RunHeader, now = Date.now()): { words: string; tone: string } {
  if (run.takenBackBy) return { words: t('common.takenBack'), tone: 'wait' }
  if (!run.endedAt)
    return new Date(run.goesAt).getTime() > now
      ? { words: t('common.inUndoTime'), tone: 'queue' }
      : { words: t('common.underWay'), tone: 'way' }
  if (run.stoppedBy) return { words: t('common.stopped'), tone: 'wait' }
  if (run.rehearsed) return { words: t('common.rehearsed'), tone: 'queue' }
  if (run.issued === run.chosen) return { words: t('common.allIssued'), tone: 'go' }
  return { words: run.issued ? t('common.partlyIssued') : t('common.noneIssued'), tone: 'wait' }
}

/** What the parts of a report are called, and their colour. */
export const partWords: Readonly<Record<RunPart['part'], { words: string; tone: string }>> = {
  emailed: { words: t('common.emailed'), tone: 'go' },
  printed: { words: t('common.printed'), tone: 'go' },
  waiting: { words: t('common.waiting'), tone: 'queue' },
  stuck: { words: t('common.stuckWord'), tone: 'stuck' },
  'not sent': { words: t('common.issuedNotSent'), tone: 'wait' },
  rehearsed: { words: t('common.rehearsed'), tone: 'queue' },
  changed: { words: t('common.changedWord'), tone: 'wait' },
  skipped: { words: t('common.skipped'), tone: 'wait' },
  failed: { words: t('common.failed'), tone: 'stuck' },
  open: { words: t('common.toCome'), tone: '' },
}

/** "3 documents in 1 email". */
export function partSays(part: RunPart): string {
  const mails = [
    part.emails ? plural(part.emails, 'email') : '',
    part.prints ? plural(part.prints, 'print job') : '',
  ].filter(Boolean)
  const inMails = mails.length ? t('common.inMails', { mails: mails.join(t('common.and')) }) : ''
  return plural(part.documents, 'document') + inMails
}

/** A stretch of time in whole units: "under a second", "12 s", "3 min 20 s". */
export function lasted(from: string | Date, to: string | Date): string {
  const seconds = Math.round((new Date(to).getTime() - new Date(from).getTime()) / 1000)
  if (seconds < 1) return t('common.underASecond')
  if (seconds < 60) return `${seconds} s`
  return t('common.valueMinSecondsS', { value: Math.floor(seconds / 60), seconds: seconds % 60 })
}
