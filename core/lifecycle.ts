/** For each state, the state that follows each event that may happen in it. */
export type Transitions<State extends string, Event extends string> = Readonly<
  Record<State, Readonly<Partial<Record<Event, State>>>>
>

/** What may follow what in the life of a thing: one frozen table, and the two questions that are asked of it. */
export interface Lifecycle<State extends string, Event extends string> {
  transitions: Transitions<State, Event>
  /** The state after an event; undefined when the event may not happen there (it came twice, or too late). */
  next(state: State, event: Event): State | undefined
  /** The states that an event may happen in, each with the one that follows. */
  steps(event: Event): { before: State; after: State }[]
}

export function lifecycle<State extends string, Event extends string>(
  transitions: Transitions<State, Event>,
): Lifecycle<State, Event> {
  const states = Object.keys(transitions) as State[]
  for (const state of states) Object.freeze(transitions[state])
  return Object.freeze({
    transitions: Object.freeze(transitions),
    next: (state: State, event: Event) => transitions[state][event],
    steps: (event: Event) =>
      states.flatMap((before) => {
        const after = transitions[before][event]
        return after === undefined ? [] : [{ before, after }]
      }),
  })
}
