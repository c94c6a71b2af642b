import type { Difference } from '@viatica/core/publish/difference.ts'
import type { FoundFile, Proof } from '@viatica/core/publish/report.ts'
import type { Outcome } from '../outcome.ts'

/** What is told of a publication, as far as it came. */
export interface Told {
  readonly host: string
  /** Whether nothing was to be changed. */
  readonly isTrial: boolean
  /** What Proof finds, in words. */
  readonly errors: readonly string[]
  readonly difference?: Difference
  readonly counts?: { readonly put: number; readonly removed: number; readonly bytes: number }
  /** Files of others that are in the way. */
  readonly found?: readonly FoundFile[]
  /** Files of others that went, and where they are kept. */
  readonly kept?: readonly (FoundFile & { readonly keptAt: string })[]
  /** How many pages keep their address from now on. */
  readonly pinned?: number
  readonly proof?: Proof | undefined
  readonly fault?: string
}

/** So many lines are shown of each kind; a JSON document has all. */
const MOST = 20

const counted = (count: number, one: string, many = `${one}s`) => `${count} ${count === 1 ? one : many}`
const some = (lines: readonly string[]) =>
  lines.length <= MOST ? lines : [...lines.slice(0, MOST), `  and ${lines.length - MOST} more`]

function differenceLines({ added, changed, moved, deleted, same }: Difference, isTrial: boolean): string[] {
  const to = isTrial ? 'to be ' : ''
  const list = (what: string, files: readonly string[]) =>
    files.length === 0 ? [] : [`${files.length} ${to}${what}:`, ...some(files.map((file) => `  ${file}`))]
  return [
    ...list(
      'added',
      added.map(({ path }) => path),
    ),
    ...list(
      'changed',
      changed.map(({ after }) => after.path),
    ),
    ...list(
      'moved',
      moved.map(({ before, after }) => `${before.path} → ${after.path}`),
    ),
    ...list(
      'deleted',
      deleted.map(({ path }) => path),
    ),
    `${same} as they are`,
  ]
}

function proofLines({ asked, same, wrong }: Proof): string[] {
  return [
    `${same} of ${counted(asked, 'page')} come to visitors as they were sent`,
    ...some(wrong.map(({ path, words }) => `  ${path} ${words}`)),
  ]
}

function lines(told: Told): string[] {
  const { host, isTrial, errors, difference, counts, found = [], kept = [], proof } = told
  return [
    ...(errors.length === 0
      ? []
      : [`Proof finds ${counted(errors.length, 'error')}:`, ...some(errors.map((words) => `  ${words}`))]),
    ...(difference ? differenceLines(difference, isTrial) : []),
    ...(found.length === 0
      ? []
      : [
          `${counted(found.length, 'file')} on the host changed by somebody else; --replace lets them go:`,
          ...some(found.map(({ path }) => `  ${path}`)),
        ]),
    ...some(
      kept.map(
        ({ path, keptAt }) => `  ${path} was replaced; what somebody else had there is kept in ${keptAt}`,
      ),
    ),
    ...(counts
      ? [
          `Published to ${host}: ${counted(counts.put, 'file')} sent (${counts.bytes} bytes), ${counts.removed} deleted`,
        ]
      : []),
    ...(told.pinned
      ? [`${counted(told.pinned, 'page')} keep their addresses from now on: the site file says so`]
      : []),
    ...(proof ? proofLines(proof) : []),
    ...(told.fault === undefined ? [] : [told.fault]),
  ]
}

const paths = (files: readonly { readonly path: string }[]) => files.map(({ path }) => path)

/** One document with all that is told. */
function document({ difference, isTrial, ...told }: Told): object {
  return {
    ...told,
    dryRun: isTrial,
    ...(difference && {
      added: paths(difference.added),
      changed: paths(difference.changed.map(({ after }) => after)),
      moved: difference.moved.map(({ before, after }) => ({ from: before.path, to: after.path })),
      deleted: paths(difference.deleted),
      same: difference.same,
    }),
  }
}

/** What is printed of a publication, and whether all is well. */
export function reportOf(told: Told, asJson: boolean): Outcome {
  const isWell =
    told.fault === undefined && (told.found ?? []).length === 0 && (told.proof?.wrong ?? []).length === 0
  return {
    said: asJson ? JSON.stringify(document(told), null, 2) : lines(told).join('\n'),
    status: isWell ? 0 : 1,
  }
}
