import { createEventStream } from 'h3'
import { addStream, listening } from '../services/live/listen'
import { route } from '../http/route'
import { sessionUser } from '../services/people/sign-in'

/** Server-sent events: what changed, for every signed-in page. Ends with the session. */
export default route({ role: 'reader', brands: 'own' }, async ({ event, user }) => {
  await listening()
  const stream = createEventStream(event)
  const remove = addStream({
    session: user.session,
    who: user,
    send: (message) => void stream.push(message),
    end: () => void stream.close(),
  })
  // what ended while the stream began is not told any more: it is looked at once it listens
  if (!user.session.startsWith('token ') && !(await sessionUser(user.session))) await stream.close()
  const sayHere = () => void stream.push({ event: 'beat', data: '' })
  sayHere() // the answer's head goes out with the first message
  const beat = setInterval(sayHere, 25_000)
  stream.onClosed(() => {
    clearInterval(beat)
    remove()
  })
  return stream.send()
})
