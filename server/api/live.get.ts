import { createEventStream } from 'h3'
import { addStream } from '../services/live/listen'
import { route } from '../route'

/** Server-sent events: what changed, for every signed-in page. Ends with the session. */
export default route({ role: 'reader' }, ({ event, user }) => {
  const stream = createEventStream(event)
  const remove = addStream({
    session: user.session,
    send: (message) => void stream.push(message),
    end: () => void stream.close(),
  })
  const sayHere = () => void stream.push({ event: 'beat', data: '' })
  sayHere() // the answer's head goes out with the first message
  const beat = setInterval(sayHere, 25_000)
  stream.onClosed(() => {
    clearInterval(beat)
    remove()
  })
  return stream.send()
})
