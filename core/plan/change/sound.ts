import type { Site } from '../site.ts'
import { siteFault } from '../siteFault.ts'
import { type Applied, applyChange } from './apply.ts'
import type { Change } from './change.ts'
import { ChangeRefused } from './refused.ts'

/**
 * Makes a change that somebody asks for, in the browser as on the server. Each of its parts is checked where it is made;
 * what they come to together is checked here. A site that is not sound can still be fixed step by step.
 * @throws ChangeRefused when the change makes no sense on this site, or would leave it unsound
 */
export function applySoundly(site: Site, change: Change): Applied {
  const applied = applyChange(site, change)
  const fault = siteFault(applied.site)
  if (fault !== undefined && siteFault(site) === undefined) throw new ChangeRefused(fault)
  return applied
}
