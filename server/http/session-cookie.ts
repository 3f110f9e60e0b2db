import { getHeader, setCookie, type H3Event } from 'h3'
import { isSecure, sessionOf } from './route'
import { deviceWords } from './device'
import { knownMark, rememberDevice } from '../services/people/sign-in'

/** The cookie by which a browser that signed in before is told apart from somebody who guesses. */
export const knownCookie = 'clothespin-known'

/** Gives a browser its session, always a fresh one, and the mark that it has signed in here. */
export async function keepSession(event: H3Event, id: string, email: string): Promise<void> {
  const session = await sessionOf(event)
  await session.update({ session: id })
  await rememberDevice(id, deviceWords(getHeader(event, 'user-agent') ?? ''))
  setCookie(event, knownCookie, knownMark(email), {
    httpOnly: true,
    sameSite: 'lax',
    secure: isSecure(event),
    path: '/api/session',
    maxAge: 180 * 86_400,
  })
}
