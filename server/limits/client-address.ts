import type { H3Event } from 'h3'
import ipaddr from 'ipaddr.js'
import proxyaddr from 'proxy-addr'
import { setting } from '../settings'

/**
 * Proxies whose word about the caller's address is taken: addresses, networks ("10.0.0.0/8"), or "loopback",
 * "linklocal", "uniquelocal". Without any, the address is the one that the connection comes from: whoever calls may
 * write a header.
 */
const trusted = proxyaddr.compile(
  (setting('UZZET_TRUSTED_PROXIES') ?? '')
    .split(',')
    .map(part => part.trim())
    .filter(Boolean),
)

/** Whoever has one address of version 6 has the rest of its network too: the first four groups are counted as one. */
const NETWORK_GROUPS = 4

function plain(address: string): string {
  if (!ipaddr.isValid(address)) return address
  const parsed = ipaddr.process(address)
  return 'parts' in parsed
    ? `${parsed.parts
        .slice(0, NETWORK_GROUPS)
        .map(group => group.toString(16))
        .join(':')}::/64`
    : parsed.toString()
}

/** The caller's address, past the proxies that are trusted; of version 6 its network. */
export function clientAddress(event: H3Event): string {
  const { req } = event.node
  // A request without a connection is the server's own.
  return req.socket?.remoteAddress ? plain(proxyaddr(req, trusted)) : 'unknown'
}
