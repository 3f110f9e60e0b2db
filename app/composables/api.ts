/** A refusal of the server, as RFC 9457 has it. */
export class ApiRefusal extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly status: number,
    readonly about: { field?: string },
  ) {
    super(message)
  }
}

interface CallOptions {
  method?: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'
  body?: unknown
  query?: object
  signal?: AbortSignal
}

/** Calls our own server; a refusal is thrown with its plain sentence. */
export async function callApi<T = unknown>(path: string, options: CallOptions = {}): Promise<T> {
  const url = new URL(path, location.origin)
  for (const [name, value] of Object.entries(options.query ?? {})) {
    for (const one of Array.isArray(value) ? value : [value])
      if (one !== undefined && one !== null && one !== '') url.searchParams.append(name, String(one))
  }
  let response: Response
  try {
    response = await fetch(url, {
      method: options.method ?? 'GET',
      signal: options.signal,
      headers: options.body === undefined ? {} : { 'content-type': 'application/json' },
      body: options.body === undefined ? undefined : JSON.stringify(options.body),
    })
  } catch (error) {
    if ((error as Error).name === 'AbortError') throw error
    throw new ApiRefusal('away', 'Clothespin does not answer. Is it running? Nothing was changed.', 0, {})
  }
  if (response.ok) return (await response.json()) as T
  const problem = (await response.json().catch(() => ({}))) as {
    code?: string
    title?: string
    about?: { field?: string }
  }
  if (response.status === 401 && problem.code === 'not-signed-in') useSession().user = null
  throw new ApiRefusal(
    problem.code ?? 'trouble',
    problem.title ?? 'That did not work, and nothing was changed.',
    response.status,
    problem.about ?? {},
  )
}

/** Runs an act and says its refusal in a toast. Answers whether it went well. */
export async function attempt(act: () => Promise<void>): Promise<boolean> {
  try {
    await act()
    return true
  } catch (error) {
    useToasts().say((error as Error).message, { wrong: true })
    return false
  }
}

/** Sends a file as it is; its name goes along. */
export async function sendFile<T>(path: string, file: File, query: Record<string, string> = {}): Promise<T> {
  const url = new URL(path, location.origin)
  for (const [name, value] of Object.entries({ name: file.name.slice(0, 160), ...query }))
    url.searchParams.set(name, value)
  let response: Response
  try {
    response = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body: file,
    })
  } catch {
    throw new ApiRefusal(
      'away',
      `“${file.name}” could not be sent. It may be too large, or Clothespin does not answer. Nothing was changed.`,
      0,
      {},
    )
  }
  if (response.ok) return (await response.json()) as T
  const problem = (await response.json().catch(() => ({}))) as {
    code?: string
    title?: string
    about?: { field?: string }
  }
  throw new ApiRefusal(
    problem.code ?? 'trouble',
    problem.title ?? 'That did not work, and nothing was changed.',
    response.status,
    problem.about ?? {},
  )
}

/** Where a list is to be had as CSV, as it is filtered now. */
export function csvHref(path: string, filters: Record<string, string | string[] | undefined>): string {
  const query = new URLSearchParams(
    Object.entries(filters).flatMap(([name, value]) =>
      [value ?? '']
        .flat()
        .filter(Boolean)
        .map((one): [string, string] => [name, one]),
    ),
  )
  return `${path}?${query}`
}
