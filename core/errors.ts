/** A field or record that a refusal is about, so that the interface can lead there. */
export interface RefusalSubject {
  field?: string
  record?: { kind: string; id: string | number; label?: string }
}

/**
 * A refusal with a stable code and a plain sentence. Everything that says no in core and services throws one;
 * the API answers it as `application/problem+json` (RFC 9457).
 */
export class Refusal extends Error {
  /** Stable, for programs and tests: lower case words joined by hyphens. */
  readonly code: string
  /** HTTP status the API answers with: 400 for bad input, 404, 409 for a state that does not allow it. */
  readonly status: number
  readonly about: RefusalSubject

  constructor(code: string, sentence: string, options: { status?: number; about?: RefusalSubject } = {}) {
    super(sentence)
    this.name = 'Refusal'
    this.code = code
    this.status = options.status ?? 409
    this.about = options.about ?? {}
  }
}
