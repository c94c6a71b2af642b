import * as v from 'valibot'

/** Told whenever the server answers that nobody is signed in here. */
export const signedOut = { tell: (): void => undefined }

/** What the server says when it does not do what was asked. */
export class Refusal extends Error {
  override name = 'Refusal'

  constructor(
    /** The HTTP status; 0 when the server could not be reached at all. */
    readonly status: number,
    message: string,
  ) {
    super(message)
  }

  /** Whether the same request may do better later. */
  get isPassing(): boolean {
    return this.status === 0 || this.status === 401 || this.status >= 500
  }
}

/**
 * Sends a request and reads the JSON that comes back.
 * @param answer what it must be; see core/protocol
 * @throws Refusal, also for an answer that is something else
 */
export async function request<const Schema extends v.GenericSchema>(
  answer: Schema,
  method: string,
  path: string,
  body?: BodyInit,
  type?: string,
  signal?: AbortSignal,
): Promise<v.InferOutput<Schema>> {
  let response: Response
  try {
    response = await fetch(path, {
      method,
      body: body ?? null,
      headers: type ? { 'Content-Type': type } : {},
      signal: signal ?? null,
    })
  } catch {
    if (signal?.aborted) throw new Refusal(0, 'Stopped.')
    throw new Refusal(0, 'The server of Viatica cannot be reached.')
  }
  if (response.status === 401) signedOut.tell()
  if (!response.ok) {
    const problem = (await response.json().catch(() => ({}))) as { detail?: string }
    throw new Refusal(
      response.status,
      problem.detail ?? `The server answered with status ${response.status}.`,
    )
  }
  const said: unknown = response.status === 204 ? undefined : await response.json().catch(() => undefined)
  const read = v.safeParse(answer, said)
  if (read.success) return read.output
  throw new Refusal(
    502,
    'The answer of the server was not understood. Reload the page: Viatica may have been updated.',
  )
}

/** Fetches a file as it is. @throws Refusal */
export async function requestBlob(path: string): Promise<Blob> {
  const response = await fetch(path).catch(() => undefined)
  if (!response?.ok) throw new Refusal(response?.status ?? 0, 'The server of Viatica cannot be reached.')
  return response.blob()
}
