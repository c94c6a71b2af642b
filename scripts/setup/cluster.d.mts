/** A PostgreSQL cluster that runs. */
export interface Cluster {
  /** Of its database `viatica`. */
  readonly url: string
  readonly startedHere: boolean
  revive(): Promise<boolean>
  kill(): Promise<void>
  stop(): void
  remove(): void
}

export function startCluster(name: string, settings?: Readonly<Record<string, string>>): Promise<Cluster>
