import { lookup } from 'node:dns/promises'
import ipaddr from 'ipaddr.js'
import { HostFault } from './hostFault.ts'

/** Which hosts the server may be sent to: whoever uses it must not reach with it what only it can reach. */
export interface Reach {
  /** Whether hosts in the server's own network are allowed. */
  readonly ownNetwork: boolean
  /** The addresses of this machine that are allowed all the same, as `127.0.0.1:2222`. */
  readonly allowed: ReadonlySet<string>
}

/** Whether an address is one of the whole network (RFC 6890), as an IPv6 address may hold one of IPv4, too. */
function isPublic(address: string): boolean {
  const is = ipaddr.process(address)
  return is.range() === 'unicast'
}

/**
 * Where a name leads. It is connected to at that address: a name that leads elsewhere a moment later is not asked again.
 * @throws HostFault
 */
export async function addressOf(name: string, port: number, { ownNetwork, allowed }: Reach): Promise<string> {
  const found = await lookup(name, { all: true }).catch(() => {
    throw new HostFault('name', `There is no host ${name}: check its name.`)
  })
  for (const { address } of found)
    if (ownNetwork || allowed.has(`${address}:${port}`) || isPublic(address)) return address
  throw new HostFault(
    'own network',
    `${name} leads into the network of the server itself. Whoever runs it can allow that: VIATICA_OWN_NETWORK.`,
  )
}
