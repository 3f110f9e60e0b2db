import { plural } from './format'
import type { RunHeader, RunPart } from '../contract'

/** How far a Send is, in a word or two. */
export function runState(run: RunHeader, now = Date.now()): { words: string; tone: string } {
  if (run.takenBackBy) return { words: 'taken back', tone: 'wait' }
  if (!run.endedAt)
    return new Date(run.goesAt).getTime() > now
      ? { words: 'in undo time', tone: 'queue' }
      : { words: 'under way', tone: 'way' }
  if (run.stoppedBy) return { words: 'stopped', tone: 'wait' }
  if (run.rehearsed) return { words: 'rehearsed', tone: 'queue' }
  if (run.issued === run.chosen) return { words: 'all issued', tone: 'go' }
  return { words: run.issued ? 'partly issued' : 'none issued', tone: 'wait' }
}

/** What the parts of a report are called, and their colour. */
export const partWords: Readonly<Record<RunPart['part'], { words: string; tone: string }>> = {
  emailed: { words: 'emailed', tone: 'go' },
  printed: { words: 'printed', tone: 'go' },
  waiting: { words: 'waiting', tone: 'queue' },
  stuck: { words: 'stuck', tone: 'stuck' },
  'not sent': { words: 'issued, not sent', tone: 'wait' },
  rehearsed: { words: 'rehearsed', tone: 'queue' },
  changed: { words: 'changed', tone: 'wait' },
  skipped: { words: 'skipped', tone: 'wait' },
  failed: { words: 'failed', tone: 'stuck' },
  open: { words: 'to come', tone: '' },
}

/** "3 documents in 1 email". */
export function partSays(part: RunPart): string {
  const mails = [
    part.emails ? plural(part.emails, 'email') : '',
    part.prints ? plural(part.prints, 'print job') : '',
  ].filter(Boolean)
  return `${plural(part.documents, 'document')}${mails.length ? ` in ${mails.join(' and ')}` : ''}`
}

/** A stretch of time in whole units: "under a second", "12 s", "3 min 20 s". */
export function lasted(from: string | Date, to: string | Date): string {
  const seconds = Math.round((new Date(to).getTime() - new Date(from).getTime()) / 1000)
  if (seconds < 1) return 'under a second'
  if (seconds < 60) return `${seconds} s`
  return `${Math.floor(seconds / 60)} min ${seconds % 60} s`
}
