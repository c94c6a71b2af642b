/** PostgreSQL: disk_full; and the system's own word for it. */
export function isFull(error: Error & { code?: unknown }): boolean {
  return error.code === '53100' || error.code === 'ENOSPC'
}
