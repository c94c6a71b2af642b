import { lookup } from 'node:dns/promises'
import { BlockList, isIP } from 'node:net'
import { USUAL_LIMITS, within } from './limits.ts'
import { HostFault } from './hostFault.ts'

/** Which hosts the server may connect to: its users must not reach through it what only the server can reach. */
export interface Reach {
  /** Whether hosts in the server's own network are allowed. */
  readonly ownNetwork: boolean
  /** The addresses of this machine that are allowed anyway, as `127.0.0.1:2222`. */
  readonly allowed: ReadonlySet<string>
}

/**
 * The special-purpose addresses of the IANA registries (RFC 6890, with its updates by RFC 8190): none is a host of the public
 * network. Multicast (RFC 5771, RFC 4291) is not in these registries.
 */
const SPECIAL_IPV4: readonly (readonly [string, number])[] = [
  ['0.0.0.0', 8],
  ['10.0.0.0', 8],
  ['100.64.0.0', 10],
  ['127.0.0.0', 8],
  ['169.254.0.0', 16],
  ['172.16.0.0', 12],
  ['192.0.0.0', 24],
  ['192.0.2.0', 24],
  ['192.31.196.0', 24],
  ['192.52.193.0', 24],
  ['192.88.99.0', 24],
  ['192.168.0.0', 16],
  ['192.175.48.0', 24],
  ['198.18.0.0', 15],
  ['198.51.100.0', 24],
  ['203.0.113.0', 24],
  ['224.0.0.0', 4],
  ['240.0.0.0', 4],
]

/** Also the addresses that hold one of IPv4: mapped, compatible (RFC 4291), translated (RFC 6052, RFC 8215), 6to4, Teredo. */
const SPECIAL_IPV6: readonly (readonly [string, number])[] = [
  ['::', 96],
  ['::ffff:0:0', 96],
  ['::ffff:0:0:0', 96],
  ['64:ff9b::', 96],
  ['64:ff9b:1::', 48],
  ['100::', 64],
  ['100:0:0:1::', 64],
  ['2001::', 23],
  ['2001:db8::', 32],
  ['2002::', 16],
  ['2620:4f:8000::', 48],
  ['3fff::', 20],
  ['5f00::', 16],
  ['fc00::', 7],
  ['fe80::', 10],
  ['fec0::', 10],
  ['ff00::', 8],
]

/** One list for each family: in a common one, the addresses of IPv6 that hold one of IPv4 would cover all of IPv4. */
const special = { ipv4: new BlockList(), ipv6: new BlockList() }
for (const [net, prefix] of SPECIAL_IPV4) special.ipv4.addSubnet(net, prefix, 'ipv4')
for (const [net, prefix] of SPECIAL_IPV6) special.ipv6.addSubnet(net, prefix, 'ipv6')

/** Whether an address is a host of the public network. What is no address is none. */
export function isPublic(address: string): boolean {
  // A zone names a link of this machine: https://datatracker.ietf.org/doc/html/rfc4007#section-11
  const family = isIP(address)
  if (family === 0 || address.includes('%')) return false
  const name = family === 4 ? 'ipv4' : 'ipv6'
  return !special[name].check(address, name)
}

const noSuchHost = (name: string) => new HostFault('name', `There is no host ${name}: check its name.`)

/**
 * Returns the address of a name. The connection is made to that address: the name is not looked up again, as it could have
 * another address a moment later.
 * @throws HostFault
 */
export async function addressOf(name: string, port: number, { ownNetwork, allowed }: Reach): Promise<string> {
  const looking = lookup(name, { all: true }).catch(() => {
    throw noSuchHost(name)
  })
  const found = await within(USUAL_LIMITS.connect, looking, () => noSuchHost(name))
  for (const { address } of found)
    if (ownNetwork || allowed.has(`${address}:${port}`) || isPublic(address)) return address
  throw new HostFault(
    'own network',
    `${name} is in the network of the server itself. The server administrator can allow that: VIATICA_OWN_NETWORK.`,
  )
}
