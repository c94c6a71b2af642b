import { readFileSync } from 'node:fs'
import { Worker } from 'node:worker_threads'
import { startServer } from '../e2e/server.ts'

/** What is asked of a server. */
export interface Sent {
  readonly path: string
  readonly body?: string | Buffer
  readonly type?: string
  readonly zipped?: boolean
}

export const SITE_FILE = 'application/vnd.viatica.site+json'

export const print = (words: string, ...cells: (string | number)[]) =>
  console.log(words.padEnd(58) + cells.map((cell) => String(cell).padStart(10)).join(''))

/** The most memory that a process had so far, in MB. */
export function peakOf(process: number | 'self'): number {
  const status = readFileSync(`/proc/${process}/status`, 'utf8')
  return Number(/VmHWM:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1000
}

/** A server whose answers, waits and memory are measured. */
export async function serveToMeasure() {
  const { child, port } = await startServer(process.env['VIATICA_BENCH_DATABASE']!, 0, { VIATICA_DEMO: 'no' })
  const url = `http://127.0.0.1:${port}`

  async function send({ path, body, type, zipped }: Sent): Promise<{ status: number; text: string }> {
    const response = await fetch(url + path, {
      ...(body === undefined ? {} : { method: 'POST', body: body as BodyInit }),
      headers: {
        ...(type ? { 'content-type': type } : {}),
        ...(zipped ? { 'content-encoding': 'gzip' } : {}),
      },
    })
    return { status: response.status, text: await response.text() }
  }

  const mostMemory = () => peakOf(child.pid!)

  /** Runs work while another thread requests `/api/health`. @returns its result, its time, and the longest wait of a request, in ms */
  async function timed<Result>(work: () => Promise<Result>) {
    const workerData = `${url}/api/health`
    const probe = new Worker(new URL('./healthProbe.mjs', import.meta.url), { workerData })
    await new Promise((resolve) => setTimeout(resolve, 300))
    const start = performance.now()
    const result = await work()
    const ms = performance.now() - start
    const worst = new Promise<number>((resolve) => probe.once('message', resolve))
    probe.postMessage('over')
    return { result, ms, wait: await worst }
  }

  /** Sends requests as `timed` does, and prints their statuses, time, longest wait and the peak memory. */
  async function measure(words: string, ...requests: Sent[]): Promise<void> {
    const { result, ms, wait } = await timed(() => Promise.all(requests.map(send)))
    const statuses = [...new Set(result.map(({ status }) => status))].join()
    print(words, statuses, ms.toFixed(0), wait.toFixed(0), mostMemory().toFixed(0))
  }

  return { child, url, send, mostMemory, timed, measure }
}
