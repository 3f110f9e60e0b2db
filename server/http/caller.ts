import { BlockList, isIP } from 'node:net'
import { getHeader, type H3Event } from 'h3'
import { config } from '../config'

/*
 * Who calls, as far as the network tells. What a header says of the caller counts only where it comes from a
 * proxy that CLOTHESPIN_TRUSTED_PROXIES names.
 */

const plain = (address: string) => address.replace(/^::ffff:/, '')

function trusted(address: string): boolean {
  const list = new BlockList()
  for (const proxy of config.trustedProxies) {
    const [net = '', prefix] = proxy.split('/')
    const family = isIP(net) === 6 ? 'ipv6' : 'ipv4'
    if (!isIP(net)) continue
    if (prefix === undefined) list.addAddress(net, family)
    else list.addSubnet(net, Number(prefix), family)
  }
  return isIP(address) !== 0 && list.check(address, isIP(address) === 6 ? 'ipv6' : 'ipv4')
}

const remoteOf = (event: H3Event) => plain(event.node.req.socket?.remoteAddress ?? '')

/** The caller's address: the last in X-Forwarded-For that is no trusted proxy itself. */
export function callerAddress(event: H3Event): string {
  const remote = remoteOf(event)
  if (!trusted(remote)) return remote
  const chain = (getHeader(event, 'x-forwarded-for') ?? '')
    .split(',')
    .map((one) => plain(one.trim()))
    .filter((one) => isIP(one))
  return chain.reverse().find((one) => !trusted(one)) ?? remote
}

/** The host that the caller asked for. */
export function askedHost(event: H3Event): string {
  const forwarded = trusted(remoteOf(event)) ? getHeader(event, 'x-forwarded-host') : undefined
  return forwarded ?? getHeader(event, 'host') ?? ''
}
