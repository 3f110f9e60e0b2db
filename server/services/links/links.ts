import { addDays, dayInZone, type Day } from '../../../core/documents/days'
import type { LetterLink } from '../../../core/emailtexts/letter-fields'
import { Refusal } from '../../../core/errors'
import { isCode, linkState, mostWrongCodes, type LinkState } from '../../../core/links/link-state'
import { told, toldDay, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { noteAll } from '../history/history'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { theHouse, type Principal } from '../people/principal'
import {
  countOpened,
  countWrongCode,
  endAllOf,
  endThese,
  lengthenThese,
  linkBytes,
  linkRow,
  linksOf,
  makeLinks,
  type LinkRow,
  type LinkView,
} from './queries'
import { linkOfToken, tokenOf } from './token'

/*
 * Files that emails lead to. Made by the email channel as an email leaves, opened by whoever has the address, ended
 * and lengthened from the document. Refuses: a link that is over, ended, or of a voided document; a wrong code.
 */

/** A file that is to be behind a link. */
export interface FileToLink {
  sha256: string
  name: string
  /** Its document; null for what goes along with one. */
  documentId: number | null
  /** So often it can be had, and so many days; without a limit, and as long as the house says, where there is none. */
  mostDownloads?: number | null
  goodDays?: number | null
  /** Of an item that is sold. */
  ofItem?: boolean
}

/** The links of an email that leaves: made anew, or the same as at its last try and good for longer. */
export async function linksFor(dispatchId: number, files: readonly FileToLink[]): Promise<LetterLink[]> {
  if (files.length === 0) return []
  const { publicAddress, until, lastDay } = await lasting()
  const made = await makeLinks({
    dispatchId,
    files: files.map((file) => ({ ...file, until: file.goodDays ? lastDay(file.goodDays) : until })),
    now: clock.now(),
  })
  const links = new Map(made.map((link) => [link.sha256, link]))
  return files.map(({ sha256, name }) => ({
    name,
    url: `${publicAddress}/d/${tokenOf(links.get(sha256)!.id)}`,
    until: links.get(sha256)!.until,
  }))
}

/** Links as they will stand in an email that has not left: they lead nowhere yet. */
export async function linksToCome(
  files: readonly Pick<FileToLink, 'name' | 'goodDays'>[],
): Promise<LetterLink[]> {
  if (files.length === 0) return []
  const { publicAddress, until, lastDay } = await lasting()
  return files.map(({ name, goodDays }) => ({
    name,
    url: `${publicAddress}/d/…`,
    until: goodDays ? lastDay(goodDays) : until,
  }))
}

async function lasting() {
  const { publicAddress, linkDays, timeZone } = await company()
  const lastDay = (days: number) => addDays(dayInZone(clock.now(), timeZone), days)
  return { publicAddress, until: lastDay(linkDays), lastDay }
}

/** What somebody sees who opens a link. */
export interface LinkPage {
  state: LinkState
  link: LinkRow
  /** A code was given, and it was not the one. */
  wrongCode: boolean
}

/** @returns undefined where the address names no link */
export async function linkPage(token: string): Promise<LinkPage | undefined> {
  const id = linkOfToken(token)
  const link = id === undefined ? undefined : await linkRow(id)
  return link && { state: await stateOf(link), link, wrongCode: false }
}

const stateOf = async (link: LinkRow): Promise<LinkState> =>
  linkState(link, dayInZone(clock.now(), (await company()).timeZone))

/**
 * The file behind a link, counted; or the page that says why not. A code that is wrong ten times ends the link.
 * @returns undefined where the address names no link
 */
export async function openLink(
  token: string,
  code: string,
): Promise<{ file: { name: string; mediaType: string; bytes: Buffer } } | LinkPage | undefined> {
  const id = linkOfToken(token)
  if (id === undefined) return undefined
  return inTransaction(async () => {
    const link = await linkRow(id, true)
    if (!link) return undefined
    const state = await stateOf(link)
    if (state !== 'good') return { state, link, wrongCode: false }
    if (link.code && !isCode(code, link.code)) return refuseCode(link)
    const opened = await countOpened(id, clock.now())
    if (opened!.opened === 1) await noteOf(link, told('link/opened', { name: link.name }), theHouse)
    publish('register')
    return {
      file: { name: link.name, mediaType: link.mediaType, bytes: (await linkBytes(link.sha256))!.bytes },
    }
  })
}

async function refuseCode(link: LinkRow): Promise<LinkPage> {
  await countWrongCode(link.id)
  if (link.wrongCodes + 1 < mostWrongCodes) return { state: 'good', link, wrongCode: true }
  const { id, documentId } = link
  await endThese({ documentId, ids: [id], now: clock.now(), by: theHouse.name })
  await noteOf(link, told('link/wrong-codes', { name: link.name, count: mostWrongCodes }), theHouse)
  publish('register')
  return { state: 'ended', link, wrongCode: false }
}

const noteOf = (
  { documentId, dispatchId }: Pick<LinkRow, 'documentId' | 'dispatchId'>,
  happened: Told,
  who: Principal,
) => noteAll([{ documentId, dispatchId, actor: who.name, ...happened }])

/** The links of a document's emails, oldest first. */
export const linksOfDocument = (documentId: number): Promise<LinkView[]> => linksOf(documentId)

/**
 * Ends links of a document's emails, such as after a wrong recipient, or makes them good for as long as new ones.
 * @throws Refusal "no-such-link" where one of them is not there or ended already
 */
export async function changeLinks(
  documentId: number,
  ids: readonly number[],
  act: 'end' | 'lengthen',
  who: Principal,
): Promise<void> {
  const { until } = await lasting()
  await inTransaction(async () => {
    const changed =
      act === 'end'
        ? await endThese({ documentId, ids, now: clock.now(), by: who.name })
        : await lengthenThese({ documentId, ids, until })
    if (changed.length < new Set(ids).size) throw new Refusal('no-such-link')
    for (const one of changed) await noteOf({ ...one, documentId }, happenedBy(act, one.name, until), who)
    publish('register')
  })
}

/** Ends every link to a document, in the caller's transaction. @param happened what its history says of each */
export async function endLinksOfDocument(
  documentId: number,
  happened: (name: string) => Told,
  who: Principal,
): Promise<void> {
  const ended = await endAllOf({ documentId, now: clock.now(), by: who.name })
  for (const one of ended) await noteOf({ ...one, documentId }, happened(one.name), who)
  if (ended.length > 0) publish('register')
}

const happenedBy = (act: 'end' | 'lengthen', name: string, until: Day): Told =>
  act === 'end' ? told('link/ended', { name }) : told('link/made', { name, until: toldDay(until) })
